<?php

declare(strict_types=1);

namespace Lantern\Storefront\Frame;

use Lantern\Core\Piece\Panel;
use Lantern\Storefront\Http\ShownThings;

/** A wide panel as HTML, with what it shows. */
final readonly class ShownPanel
{
    /**
     * @param string       $id       of the piece that it is
     * @param string       $desk     what opens on a desk
     * @param string       $drawer   what the phone's drawer has of it; empty: nothing
     * @param string       $styles   its measures and colours
     * @param list<string> $placeIds places that it shows
     * @param list<string> $lists    what else would make another of it, see ShownThings
     */
    public function __construct(
        public string $id,
        public Panel $piece,
        public string $desk,
        public string $drawer,
        public string $styles,
        public array $placeIds,
        public array $lists,
    ) {
    }
}
