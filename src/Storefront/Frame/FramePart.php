<?php

declare(strict_types=1);

namespace Lantern\Storefront\Frame;

use Lantern\Storefront\Http\ShownThings;

/** The header with its drawer and panels, or the footer, as HTML: kept by itself, as long as nothing in it changes. */
final readonly class FramePart
{
    /** @param list<string> $keys of what it shows, see ShownThings */
    public function __construct(public string $html, public string $styles, public array $keys, public bool $onClick = false)
    {
    }
}
