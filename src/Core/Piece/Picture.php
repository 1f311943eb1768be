<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Refused;
use Lantern\Core\With;

/** A picture of the shop, which may lead somewhere. */
final readonly class Picture extends Piece implements ForDrawer
{
    use With;

    public const MOST = 300;

    public function __construct(
        public string $name = '',
        public string $shows = '',
        public int $share = 100,
        public bool $inDrawer = false,
    ) {
        self::checkName($name);
        if ($share < 10 || $share > 100) {
            throw new Refused('share', \sprintf('A picture takes from 10 to 100 hundredths of its column; this one %d.', $share));
        }
        if (mb_strlen($shows) > self::MOST) {
            throw new Refused('shows', \sprintf('What a picture shows is told in at most %d characters. Shorten it.', self::MOST));
        }
    }

    /** @throws Refused where it is no name that a picture of the shop can have */
    public static function checkName(string $name): void
    {
        // A folder and a name: no part of it is a way out.
        if (
            '' !== $name
            && (1 !== preg_match(
                '#^(?:[a-z0-9][a-z0-9_-]*/)?[a-z0-9][a-z0-9._-]*$#Di',
                $name,
            ) || \strlen($name) > 200 || str_contains($name, '..'))
        ) {
            throw new Refused('picture', 'Choose one of the pictures of the shop.');
        }
    }

    /** @param string $shows what it shows */
    public function withWords(string $shows): self
    {
        return $this->with(['shows' => $shows]);
    }

    public function kind(): PieceKind
    {
        return PieceKind::Picture;
    }

    public function isInDrawer(): bool
    {
        return $this->inDrawer;
    }
}
