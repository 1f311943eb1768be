<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use Lantern\Core\Finding\FindingKind;
use Lantern\Core\Release\CopyName;
use OpenApi\Attributes as OA;

/** One thing that is wrong. */
#[OA\Schema]
final readonly class FindingView
{
    /**
     * @param list<string>   $copies
     * @param list<MendView> $mends
     */
    public function __construct(
        #[OA\Property(description: 'The same on both copies, for as long as it is not mended')]
        public string $id,
        #[OA\Property(type: 'string', enum: FindingKind::class)]
        public string $kind,
        #[OA\Property(description: 'Whether a visitor who follows it finds nothing')]
        public bool $broken,
        #[OA\Property(ref: SubjectView::class)]
        public SubjectView $subject,
        #[OA\Property]
        public string $says,
        #[OA\Property(description: 'How many visits meet it, in 30 days')]
        public int $visits,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string', enum: CopyName::class))]
        public array $copies,
        #[OA\Property(format: 'date-time')]
        public string $since,
        #[OA\Property(description: 'Whose edit it came with; empty where nobody knows')]
        public string $person,
        #[OA\Property(type: 'array', items: new OA\Items(ref: MendView::class), description: 'The likeliest first')]
        public array $mends,
        #[OA\Property(ref: SetAsideView::class, nullable: true)]
        public ?SetAsideView $setAside,
        #[OA\Property(description: 'Where visitors meet it in the shop; null where they do not')]
        public ?string $met,
    ) {
    }
}
