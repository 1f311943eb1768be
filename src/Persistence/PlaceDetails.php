<?php

declare(strict_types=1);

namespace Lantern\Persistence;

/** What a place's own page shows besides its title. */
final readonly class PlaceDetails
{
    /**
     * @param string                             $html cleaned; links to places as `place:ID`
     * @param array{by: string, tag?: string}|null $rule how a collection fills itself
     * @param array{stored: string, type: string, size: int}|null $file
     */
    public function __construct(
        public string $summary,
        public ?string $picture,
        public string $html,
        public ?array $rule,
        public ?\DateTimeImmutable $publishedOn,
        public ?array $file = null,
    ) {
    }
}
