<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use Lantern\Reading\Findings\FindingTotals;
use OpenApi\Attributes as OA;

/** How the shop stands, in numbers; without what is set aside. */
#[OA\Schema]
final readonly class OutlookView
{
    public function __construct(
        #[OA\Property(description: 'On the workbench')]
        public int $wrong,
        #[OA\Property(description: 'Of these, those by which visitors find nothing')]
        public int $broken,
        #[OA\Property(description: 'On live')]
        public int $live,
        #[OA\Property(description: 'How many links and the like publishing would break')]
        public int $breaks,
        #[OA\Property(description: 'How many visits met these, in 30 days')]
        public int $visits,
        #[OA\Property(description: 'How many findings publishing would put right')]
        public int $mends,
        #[OA\Property]
        public int $aside,
        #[OA\Property(description: 'Whether everything was looked at that changed; else it is looked at now')]
        public bool $isOfNow,
        #[OA\Property(description: 'Of a walk over everything that goes on')]
        public int $done,
        #[OA\Property(description: '0 where none goes on')]
        public int $of,
    ) {
    }

    public static function of(FindingTotals $outlook): self
    {
        return new self(
            $outlook->wrong,
            $outlook->broken,
            $outlook->live,
            $outlook->breaks,
            $outlook->visits,
            $outlook->mends,
            $outlook->aside,
            $outlook->isOfNow,
            $outlook->done,
            $outlook->of,
        );
    }
}
