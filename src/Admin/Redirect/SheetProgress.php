<?php

declare(strict_types=1);

namespace Lantern\Admin\Redirect;

use Lantern\Admin\Http\DoneView;
use Lantern\Admin\Job\JobView;
use OpenApi\Attributes as OA;

/** How far the work on a file of redirects is, and at its end what came of it. */
#[OA\Schema]
final readonly class SheetProgress
{
    public function __construct(
        #[OA\Property(description: 'Such as “Judging”')]
        public string $step,
        #[OA\Property]
        public int $done = 0,
        #[OA\Property]
        public int $of = 0,
        #[OA\Property(ref: JudgementView::class, nullable: true)]
        public ?JudgementView $judgement = null,
        #[OA\Property(ref: DoneView::class, nullable: true)]
        public ?DoneView $edit = null,
        #[OA\Property(ref: JobView::class, nullable: true, description: 'So many lines that taking them takes a while: a job that does')]
        public ?JobView $job = null,
        #[OA\Property(description: 'Why the file cannot be used')]
        public ?string $problem = null,
    ) {
    }

    public static function judged(JudgementView $judgement, ?DoneView $edit): self
    {
        return new self('Done', judgement: $judgement, edit: $edit);
    }

    public static function refused(string $problem): self
    {
        return new self('Refused', problem: $problem);
    }
}
