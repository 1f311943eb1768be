<?php

declare(strict_types=1);

namespace Lantern\Workbench\Edits;

use Doctrine\DBAL\Connection;
use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Lantern\Reading\Sql\Row;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * All that a person did, in one row: steps in menus and edits of everything else. The last of it is taken back
 * first, and what was taken back last is made again first.
 */
final readonly class History
{
    private const LAST = <<<'SQL'
        SELECT * FROM (
            (SELECT s.id, s.undone_at, m.id AS menu_id, m.name AS said
                FROM journal.step s JOIN menu m ON m.id = s.menu_id WHERE s.person_id = :person AND s.undone = :undone ORDER BY %1$s
                    LIMIT 1)
            UNION ALL
            (SELECT s.id, s.undone_at, NULL, s.sentence AS said FROM journal.edit s
                WHERE s.person_id = :person AND s.undone = :undone AND s.takes_back IS NULL
                AND (NOT s.undone OR EXISTS (SELECT FROM journal.edit b WHERE b.takes_back = s.id)) ORDER BY %1$s LIMIT 1)
        ) s ORDER BY %1$s LIMIT 1
        SQL;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private UnitOfWork $work,
        private EditLog $edits,
        private MenuHistory $menus,
    ) {
    }

    /** What undo would take back now; null: nothing. */
    public function last(Actor $by): ?PastStep
    {
        return $this->find($by, undone: false, order: 's.id DESC');
    }

    /** What redo would make again now; null: nothing. */
    public function undone(Actor $by): ?PastStep
    {
        return $this->find($by, undone: true, order: 's.undone_at DESC, s.id');
    }

    /** @throws Refused where there is nothing, or where others changed since what it made different */
    public function undo(Actor $by): PastStep
    {
        return $this->work->run(function () use ($by): PastStep {
            $last = $this->last($by) ?? throw new Refused('edit', 'There is nothing to undo.');
            if (null === $last->menuId) {
                $this->edits->takeBack($this->edits->get($last->id, $by), $by);
            } else {
                $this->menus->undoStep($last->menuId, $by);
            }

            return $last;
        });
    }

    /** @throws Refused where there is nothing, or where others changed since what it would make different */
    public function redo(Actor $by): PastStep
    {
        return $this->work->run(function () use ($by): PastStep {
            $next = $this->undone($by) ?? throw new Refused('edit', 'There is nothing to do again.');
            if (null === $next->menuId) {
                $this->edits->makeAgain($next->id, $by);
            } else {
                $this->menus->redoStep($next->menuId, $by);
            }

            return $next;
        });
    }

    private function find(Actor $by, bool $undone, string $order): ?PastStep
    {
        $columns = $this->connection->fetchAssociative(
            \sprintf(self::LAST, $order),
            ['person' => $by->personId(), 'undone' => $undone ? 'true' : 'false'],
        );
        if (false === $columns) {
            return null;
        }
        $row = new Row($columns);

        $menuId = $row->textOrNull('menu_id');

        return new PastStep(
            $row->text('id'),
            null === $menuId ? $row->text('said') : \sprintf('A step in the menu “%s”', $row->text('said')),
            $menuId,
        );
    }
}
