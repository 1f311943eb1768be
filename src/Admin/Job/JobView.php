<?php

declare(strict_types=1);

namespace Lantern\Admin\Job;

use Lantern\Admin\Http\DoneView;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Edits\Subject;
use Lantern\Workbench\Jobs\Job;
use Lantern\Workbench\Jobs\JobKind;
use Lantern\Workbench\Jobs\JobState;
use OpenApi\Attributes as OA;

/** Work that goes on by itself: how far it is, and at its end what came of it. It may be left, and looked at again. */
#[OA\Schema]
final readonly class JobView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property(type: 'string', enum: JobKind::class)]
        public string $kind,
        #[OA\Property(description: 'What it does, such as “Publishing”')]
        public string $words,
        #[OA\Property(type: 'string', enum: JobState::class)]
        public string $state,
        #[OA\Property(description: 'Whether something will still come of it')]
        public bool $goesOn,
        #[OA\Property(description: 'Such as “Judging”; empty before it begins')]
        public string $step,
        #[OA\Property]
        public int $done,
        #[OA\Property(description: 'Of how many; 0 where nobody knows yet')]
        public int $of,
        #[OA\Property]
        public string $person,
        #[OA\Property(description: 'The number of the release that it made')]
        public ?int $number,
        #[OA\Property(ref: DoneView::class, nullable: true, description: 'The edit that it made, to be taken back as one')]
        public ?DoneView $edit,
        #[OA\Property(description: 'Why it failed; nothing was changed then')]
        public ?string $problem,
    ) {
    }

    public static function of(Job $job): self
    {
        $outcome = $job->outcome ?? [];
        $text = static fn (string $name): ?string => \is_string($outcome[$name] ?? null) ? $outcome[$name] : null;
        $edit = $text('edit');

        return new self(
            $job->id,
            $job->kind->value,
            $job->kind->words(),
            $job->state->value,
            $job->state->goesOn(),
            $job->step,
            $job->done,
            $job->of,
            $job->person,
            \is_int($outcome['number'] ?? null) ? $outcome['number'] : null,
            null === $edit ? null : DoneView::of(new Edit($edit, $job->personId, Subject::Places, $text('sentence') ?? '')),
            $text('problem'),
        );
    }
}
