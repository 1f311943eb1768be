<?php

declare(strict_types=1);

namespace Lantern\Reading\Places;

use Lantern\Core\Place\Place;

/** A place of the workbench with what a list says about it. */
final readonly class ListedPlace
{
    /**
     * @param list<string> $menus       names of the menus that lead to it
     * @param int          $visits      in the last 30 days, to its address of today
     * @param string|null  $liveAddress what visitors know it by; null where it was never live
     */
    public function __construct(
        public Place $place,
        public int $version,
        public string $summary,
        public array $menus,
        public int $visits,
        public ?string $liveAddress,
        public \DateTimeImmutable $changedAt,
        public string $changedBy,
    ) {
    }
}
