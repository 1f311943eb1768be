<?php

declare(strict_types=1);

namespace Lantern\Workbench\Jobs;

/** Work that a worker does, as far as it is. All of it is kept, or nothing. */
final readonly class Job
{
    /**
     * @param array<mixed>      $input   what it was asked with
     * @param string            $step    such as “Judging”; empty before it begins
     * @param array<mixed>|null $outcome what came of it: `number` of a release, or `edit` with its `sentence`; `problem` where it failed
     */
    public function __construct(
        public string $id,
        public JobKind $kind,
        public string $personId,
        public string $person,
        public array $input,
        public JobState $state,
        public string $step,
        public int $done,
        public int $of,
        public ?array $outcome,
    ) {
    }
}
