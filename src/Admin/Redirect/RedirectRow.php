<?php

declare(strict_types=1);

namespace Lantern\Admin\Redirect;

use OpenApi\Attributes as OA;

/** A redirect as the table shows it. */
#[OA\Schema]
final readonly class RedirectRow
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public int $version,
        #[OA\Property(description: 'With /* where it stands for all below')]
        public string $source,
        #[OA\Property]
        public string $goalWords,
        #[OA\Property]
        public string $goalAddress,
        #[OA\Property]
        public ?string $placeId,
        #[OA\Property]
        public int $status,
        #[OA\Property]
        public string $statusWords,
        #[OA\Property(format: 'date-time')]
        public ?string $until,
        #[OA\Property(enum: ['person', 'address-change', 'file'])]
        public string $origin,
        #[OA\Property]
        public string $note,
        #[OA\Property]
        public int $visits,
        #[OA\Property(format: 'date')]
        public ?string $lastVisit,
        #[OA\Property(description: 'Title of the place that opens there, so that it never answers')]
        public ?string $shadowedBy,
        #[OA\Property]
        public bool $leadsNowhere,
        #[OA\Property]
        public bool $hasEnded,
    ) {
    }
}
