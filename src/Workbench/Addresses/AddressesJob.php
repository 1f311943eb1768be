<?php

declare(strict_types=1);

namespace Lantern\Workbench\Addresses;

use Lantern\Core\Person\Actor;
use Lantern\Core\Person\Role;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Edits\Progress;
use Lantern\Workbench\Jobs\EditOfJob;
use Lantern\Workbench\Jobs\Job;
use Lantern\Workbench\Jobs\JobKind;
use Lantern\Workbench\Jobs\KindOfJob;

/** Changes many addresses. */
final readonly class AddressesJob implements KindOfJob
{
    public function __construct(private AddressEditor $editor, private EditOfJob $edit)
    {
    }

    public function kind(): JobKind
    {
        return JobKind::Addresses;
    }

    public function mayBeDoneBy(Role $role): bool
    {
        return $role->mayEdit();
    }

    public function do(Job $job, Actor $by, Progress $progress): void
    {
        $this->edit->run($job, fn (): Edit => $this->editor->change(self::wishes($job->input), $by, $progress));
    }

    /**
     * @param array<mixed> $input
     *
     * @return list<AddressWish>
     */
    private static function wishes(array $input): array
    {
        $wishes = [];
        foreach (\is_array($input['wishes'] ?? null) ? $input['wishes'] : [] as $wish) {
            if (
                \is_array($wish)
                && \is_string($wish['place'] ?? null)
                && \is_string($wish['seen'] ?? null)
                && \is_string($wish['to'] ?? null)
            ) {
                $wishes[] = new AddressWish($wish['place'], $wish['seen'], $wish['to'], true === ($wish['below'] ?? null));
            }
        }

        return $wishes;
    }
}
