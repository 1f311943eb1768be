<?php

declare(strict_types=1);

namespace Lantern\Storefront\Pieces;

use Lantern\Storefront\Http\ShownThings;

/** The body of a page that is laid out, as HTML, with what it shows. */
final readonly class ShownBody
{
    /**
     * @param string       $styles   its measures and colours
     * @param list<string> $placeIds places that it shows
     * @param list<string> $lists    what else would make another of it, see ShownThings
     */
    public function __construct(public string $html, public string $styles, public array $placeIds, public array $lists)
    {
    }
}
