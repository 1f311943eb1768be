<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Lantern\Core\Place\CollectionRule;
use Lantern\Core\Words\Words;

/** What a place's own page shows besides its title. */
final readonly class PlaceDetails
{
    /** @param array{stored: string, type: string, size: int}|null $file its name below the folder of files, its media type, its bytes */
    public function __construct(
        public string $summary,
        public ?string $picture,
        public Words $words,
        public CollectionRule $rule,
        public ?\DateTimeImmutable $publishedOn,
        public ?array $file = null,
        public string $downloadName = '',
    ) {
    }
}
