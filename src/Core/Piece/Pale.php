<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Looks\Colour;
use Lantern\Core\Looks\Looks;
use Lantern\Core\Looks\TooPale;

/** Two colours of a band or panel that meet and are too much alike, with the nearest one that would do. */
final readonly class Pale
{
    /** @param Colour|null $offered null: no colour is read on all of the picture */
    private function __construct(
        public string $name,
        public float $contrast,
        public ?Colour $offered,
        private bool $onPicture,
        private float $least,
    ) {
    }

    /**
     * What is too pale of a band or panel. Where a picture stands behind it, the worst of its regions counts, and so does the
     * colour that is there until the picture has come.
     *
     * @param Panel|null   $panel   in which a band stands
     * @param list<Colour> $regions of the picture behind it, each the colour that it has there
     * @param Looks|null   $looks   of the shop, for what has no colour of its own; null: as it usually looks
     * @param bool         $large   whether all headings in it are large letters
     *
     * @return list<self> by the colour that would have to change
     */
    public static function in(
        Band|Panel $piece,
        ?Panel $panel = null,
        array $regions = [],
        ?Looks $looks = null,
        bool $large = false,
    ): array {
        $looks ??= Looks::of();
        $shop = ['heading' => $looks->ink, 'text' => $looks->ink, 'link' => $looks->accent, 'pointed' => $looks->accent];
        $colour = $piece->ground->colour ?? $panel?->ground->colour;
        $behind = $colour ?? (null === $panel && !$piece instanceof Panel ? $looks->ground : $looks->sheet);
        $grounds = [] === $regions || null !== $colour ? [...$regions, $behind] : $regions;
        $colours = null === $panel ? $piece->colours : $piece->colours->over($panel->colours);
        $own = $colours->values();
        // Without a colour of their own, links keep theirs under the pointer.
        $names = isset($own['link']) && !isset($own['pointed']) ? ['heading', 'text', 'link'] : array_keys($shop);
        $pale = [];
        foreach ($names as $name) {
            $colour = isset($own[$name]) ? Colour::fromHex($own[$name]) : $shop[$name];
            $contrast = min(array_map($colour->contrast(...), $grounds));
            $least = 'heading' === $name && $large ? TooPale::LEAST_LARGE : TooPale::LEAST;
            if ($contrast < $least) {
                $pale[] = new self($name, $contrast, $colour->withContrastOnAll($grounds, $least), [] !== $regions, $least);
            }
        }

        return $pale;
    }

    /**
     * The picture behind a band or panel; null where none is. A band with a ground of its own covers its panel's.
     *
     * @return string|null its file name
     */
    public static function pictureBehind(Band|Panel $piece, ?Panel $panel = null): ?string
    {
        return $piece->ground->picture ?? (null === $piece->ground->colour ? $panel?->ground->picture : null);
    }

    public function words(): string
    {
        // Rounded down: what is said to be enough has to be.
        return \sprintf('%s on %s have a contrast of %s to 1; %s is the least that everybody can read.%s', match ($this->name) {
            'heading' => 'Headings', 'text' => 'Words', 'link' => 'Links', default => 'Links under the pointer',
        }, $this->onPicture ? 'the worst part of this picture' : 'this ground', number_format(
            floor(10 * $this->contrast) / 10,
            1,
        ), (string) $this->least,
            null === $this->offered ? ' No colour is read on all of it: choose a calmer picture, or a colour as ground.' : '');
    }
}
