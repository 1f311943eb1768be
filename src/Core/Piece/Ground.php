<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Looks\Colour;

/** What stands behind a band or panel: a colour, a picture of the shop, or both, the colour where the picture is not there. */
final readonly class Ground
{
    /** @param string|null $picture its file name */
    public function __construct(public ?Colour $colour = null, public ?string $picture = null)
    {
        Picture::checkName($picture ?? '');
    }

    /** @return array{colour: string|null, picture: string|null} */
    public function values(): array
    {
        return ['colour' => $this->colour?->hex(), 'picture' => $this->picture];
    }
}
