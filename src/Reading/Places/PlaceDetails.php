<?php

declare(strict_types=1);

namespace Lantern\Reading\Places;

use Lantern\Core\Place\CollectionRule;
use Lantern\Core\Place\StoredFile;
use Lantern\Core\Words\Words;

/** What a place's own page shows besides its title. */
final readonly class PlaceDetails
{
    /** @param string $filters of its listing, as `Filters` keeps them; empty: as everywhere */
    public function __construct(
        public string $summary,
        public ?string $picture,
        public Words $words,
        public CollectionRule $rule,
        public ?\DateTimeImmutable $publishedOn,
        public ?StoredFile $file = null,
        public string $downloadName = '',
        public string $filters = '',
    ) {
    }
}
