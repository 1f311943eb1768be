<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

/** What search engines are told about a place. An empty title or description follows the place's own. */
final readonly class SearchListing
{
    public function __construct(
        public bool $listed = true,
        public string $title = '',
        public string $description = '',
    ) {
    }
}
