<?php

declare(strict_types=1);

namespace Lantern\Workbench\Frame;

use Lantern\Core\Menu\Bay;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Refused;
use Lantern\Reading\Copies\Copies;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\Lock;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\Subject;

/** Orders and divides the columns of the footer, and makes bays beside the pages of a group. */
final readonly class BayEditor
{
    private const MOST_BESIDE = 40;
    /** Where the columns of the footer begin in the order of the frame, and what stands after all of it. */
    private const FOOTER = 10;
    private const AFTER_THE_FRAME = 50;

    public function __construct(
        private BayRecords $bays,
        private EditLog $edits,
        private Copies $copies,
        private Locks $locks,
    ) {
    }

    /**
     * Moves a column of the footer past the next one.
     *
     * @param int $by -1: to the start, 1: to the end
     *
     * @throws Refused
     */
    public function shift(string $bayId, int $by, Actor $person): void
    {
        $this->edits->run($person, Subject::Frame, function () use ($bayId, $by): string {
            $this->locks->take(Lock::Frame);
            $columns = $this->columns();
            $at = array_search($bayId, array_column($columns, 'id'), true);
            $other = false === $at ? null : $columns[$at + ($by < 0 ? -1 : 1)] ?? null;
            if (false === $at || null === $other) {
                throw new Refused(
                    'bay',
                    false === $at ? 'The footer has no such column.' : 'This column stands at the edge of the footer already.',
                );
            }
            [$columns[$at], $columns[$at + ($by < 0 ? -1 : 1)]] = [$other, $columns[$at]];
            foreach ($columns as $position => $column) {
                $this->bays->locked($column->id)->position = self::FOOTER + $position;
            }

            return 'The column is moved.';
        });
    }

    /** @param string $typed parts of the footer's width, 1 to 4 */
    public function share(string $bayId, string $typed, Actor $by): void
    {
        if (1 !== preg_match('/^[1-9]$/D', $typed) || (int) $typed > Bay::WIDEST) {
            throw new Refused(
                'words',
                \sprintf(
                    '“%s” is no width of a column. Write how many parts of the footer it takes, from 1 to %d.',
                    mb_strimwidth($typed, 0, 40, '…'),
                    Bay::WIDEST,
                ),
            );
        }
        $this->footer($bayId);
        $this->edits->run($by, Subject::Frame, function () use ($bayId, $typed): string {
            $this->locks->take(Lock::Frame);
            $this->bays->locked($bayId)->share = (int) $typed;

            return 'The column has another width.';
        });
    }

    /**
     * Makes a bay beside the pages of a group; it shows them by itself until a menu hangs there.
     *
     * @return string its id
     *
     * @throws Refused|NotThere
     */
    public function makeBeside(string $groupId, Actor $by): string
    {
        $group = $this->copies->workbench->places->get($groupId) ?? throw NotThere::place();
        if (PlaceKind::PageGroup !== $group->kind) {
            throw new Refused('place', 'A bay stands beside the pages of a page group. Choose one.');
        }
        $id = "beside-$groupId";
        $this->edits->run($by, Subject::Frame, function () use ($id, $groupId, $group): string {
            $this->locks->take(Lock::Frame);
            $there = array_filter($this->copies->workbench->menus->bays(), static fn (Bay $bay): bool => null !== $bay->beside);
            if (\count($there) >= self::MOST_BESIDE) {
                throw new Refused(
                    'place',
                    \sprintf('There are %d bays beside pages already. Take one away that nobody needs.', self::MOST_BESIDE),
                );
            }
            if (\in_array($groupId, array_column($there, 'beside'), true)) {
                throw new Refused('place', "There is a bay beside the pages of “{$group->title}” already.");
            }
            $bay = new BayRecord($id, self::AFTER_THE_FRAME, $groupId);
            $bay->fills = true;
            $this->bays->add($bay);

            return "Beside the pages of “{$group->title}” there is a bay.";
        });

        return $id;
    }

    public function fills(string $bayId, bool $fills, Actor $by): void
    {
        $this->edits->run($by, Subject::Frame, function () use ($bayId, $fills): string {
            $this->locks->take(Lock::Frame);
            $this->beside($bayId)->fills = $fills;

            return $fills ? 'The bay shows the pages of its group by itself.' : 'The bay shows the menu that hangs there.';
        });
    }

    /** Takes away a bay beside pages. The menu that hung there stays. */
    public function remove(string $bayId, Actor $by): void
    {
        $this->edits->run($by, Subject::Frame, function () use ($bayId): string {
            $this->locks->take(Lock::Frame);
            $this->bays->remove($this->beside($bayId));

            return 'The bay is taken away.';
        });
    }

    /** @return list<Bay> */
    private function columns(): array
    {
        return array_values(array_filter($this->copies->workbench->menus->bays(), static fn (Bay $bay): bool => $bay->isFooter()));
    }

    private function footer(string $bayId): void
    {
        if (!\in_array($bayId, array_column($this->columns(), 'id'), true)) {
            throw new Refused('bay', \sprintf('The footer has no such column. It has %d.', Bay::COLUMNS));
        }
    }

    private function beside(string $bayId): BayRecord
    {
        $bay = $this->bays->find($bayId);
        if (null === $bay?->beside) {
            throw new Refused('bay', 'There is no such bay beside pages.');
        }

        return $bay;
    }
}
