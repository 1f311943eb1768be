<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use OpenApi\Attributes as OA;

/** A line of a search result, and the room it takes. */
#[OA\Schema]
final readonly class ListedTextView
{
    public function __construct(
        #[OA\Property(description: 'As a search engine would show it')]
        public string $text,
        #[OA\Property]
        public int $characters,
        #[OA\Property]
        public int $pixels,
        #[OA\Property(description: 'Pixels that a search engine has for it')]
        public int $room,
        #[OA\Property]
        public bool $fits,
    ) {
    }
}
