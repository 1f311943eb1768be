<?php

declare(strict_types=1);

namespace Lantern\Workbench\Edits;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Menu\Move;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Lantern\Core\Release\Fault;
use Lantern\Core\Release\FaultKind;
use Lantern\Core\Release\NotInOrder;
use Lantern\Reading\Releases\ChangedReader;
use Lantern\Reading\Releases\ReleaseReader;
use Lantern\Reading\Sql\Row;
use Symfony\Component\Uid\UuidV7;

/**
 * Makes edits that reach many rows of the workbench, each in one transaction, and takes them back. The
 * triggers of the workbench note every row as it was and as it became; taking back writes only what the
 * edit itself made different, and only where nobody changed that since.
 */
final readonly class EditLog
{
    private const KEPT_DAYS = 30;
    private const AFTER_ENTRIES = ['bay', 'menu'];

    /** Columns that say who changed a row and when: they are written anew, not taken back. */
    private const BOOKKEEPING = "ARRAY['version', 'changed_at', 'changed_by']";

    private Connection $connection;

    public function __construct(
        private EntityManagerInterface $entities,
        private UnitOfWork $work,
        private MenuHistory $menus,
        private AddressesComeBack $addresses,
        private Locks $locks,
        private ChangedReader $changed,
        private RedoStack $undone,
    ) {
        $this->connection = $entities->getConnection();
    }

    /**
     * @param \Closure(MenuMoves): string $make  makes the changes, and says what was done
     */
    public function run(Actor $by, Subject $about, \Closure $make): Edit
    {
        return $this->work->run(function () use ($by, $about, $make): Edit {
            $this->undone->forget($by->personId());
            $id = $this->begin($by, $about);
            $moves = new MenuMoves(function (string $menuId, Move $move) use ($id, $by): MenuReversal {
                // Menus have a log of their own, where the moves of several people are merged.
                $this->note('');
                $made = $this->menus->applyAsPartOfEdit($menuId, $move, $by);
                $this->note($id);

                return $made;
            });
            $sentence = $make($moves);
            $this->end($id, $sentence, $moves->made());
            $this->connection->executeStatement(<<<'SQL'
                DELETE FROM journal.edit WHERE made_at < journal.moment() - make_interval(days => ?)
                SQL, [self::KEPT_DAYS]);
            /** @var list<string> $made */
            $made = $this->connection->fetchFirstColumn(<<<'SQL'
                SELECT row_id FROM journal.edit_row WHERE edit_id = ? AND table_name = 'place' AND before IS NULL ORDER BY row_id
                SQL, [$id]);

            return new Edit($id, $by->personId(), $about, $sentence, $moves->made(), $made);
        });
    }

    /**
     * An edit of this person that was not taken back yet.
     *
     * @throws Refused|NotThere
     */
    public function get(string $editId, Actor $by): Edit
    {
        $row = $this->connection->fetchAssociative(<<<'SQL'
            SELECT * FROM journal.edit WHERE id = ? AND person_id = ? AND takes_back IS NULL
            SQL, [$editId, $by->personId()]);
        if (false === $row) {
            throw new NotThere('There is no such edit of yours, or it is too long ago.');
        }
        if ((new Row($row))->bool('undone')) {
            throw new Refused('edit', 'This was taken back already.');
        }

        return self::edit($row);
    }

    /**
     * Takes an edit back. That is an edit, too: what it makes different is noted, so that it can be made again.
     *
     * @throws Refused where somebody changed since what the edit made different
     */
    public function takeBack(Edit $edit, Actor $by): Edit
    {
        return $this->work->run(function () use ($edit, $by): Edit {
            if (0 === (int) $this->connection->executeStatement(<<<'SQL'
                UPDATE journal.edit SET undone = true, undone_at = clock_timestamp() WHERE id = ? AND NOT undone
                SQL, [$edit->id])) {
                throw new Refused('edit', 'This was taken back already.');
            }
            $this->reverse($edit, $by, $this->begin($by, $edit->about, $edit->id));

            return $edit;
        });
    }

    /**
     * Makes an edit again that was taken back.
     *
     * @throws Refused where somebody changed since what taking back made different, or made something else meanwhile
     */
    public function makeAgain(string $editId, Actor $by): Edit
    {
        return $this->work->run(function () use ($editId, $by): Edit {
            $row = $this->connection->fetchAssociative(<<<'SQL'
                SELECT * FROM journal.edit WHERE takes_back = ? AND person_id = ? FOR UPDATE
                SQL, [$editId, $by->personId()]);
            if (false === $row) {
                throw new Refused('edit', 'This cannot be made again.');
            }
            $back = self::edit($row);
            $ways = $this->reverse($back, $by, null);
            $this->connection->executeStatement('DELETE FROM journal.edit WHERE id = ?', [$back->id]);
            $this->connection->executeStatement(<<<'SQL'
                UPDATE journal.edit SET undone = false, undone_at = NULL, menus = CAST(? AS jsonb) WHERE id = ?
                SQL, [self::stored($ways), $editId]);

            return $this->get($editId, $by);
        });
    }

    /**
     * @param string|null $notedAs id of the edit that what becomes different is noted under
     *
     * @return array<string, MenuReversal> what leads back in the menus, by id
     */
    private function reverse(Edit $edit, Actor $by, ?string $notedAs): array
    {
        $this->note($notedAs ?? '');
        $this->locks->relations();
        $this->connection->executeStatement('SET CONSTRAINTS ALL DEFERRED');
        $tables = array_filter($this->connection->fetchFirstColumn(<<<'SQL'
            SELECT DISTINCT table_name FROM journal.edit_row WHERE edit_id = ? ORDER BY 1
            SQL, [$edit->id]), \is_string(...));
        // A menu that comes back is there before its entries; one that goes stays until they are gone.
        $last = $this->comesBack($edit->id, 'menu') ? array_diff(self::AFTER_ENTRIES, ['menu']) : self::AFTER_ENTRIES;
        foreach (array_diff($tables, $last) as $table) {
            $this->restore($edit->id, $table, $by, null === $notedAs);
        }
        try {
            $this->connection->executeStatement('SET CONSTRAINTS ALL IMMEDIATE');
        } catch (UniqueConstraintViolationException $violation) {
            throw new Refused(
                'edit',
                'Something else stands at one of these addresses by now, so this is not taken back. Change that first.',
                $violation,
            );
        }
        // Entries come after the places that they lead to, and before the menus that they stand in.
        $this->note('');
        $ways = [];
        foreach ($edit->menus as $menuId => $back) {
            $ways[$menuId] = $this->menus->revertPartOfEdit($menuId, $back, $by);
        }
        $this->note($notedAs ?? '');
        foreach (array_intersect($last, $tables) as $table) {
            $this->restore($edit->id, $table, $by, null === $notedAs);
        }
        $this->refuseWhatIsNotInOrder($edit->id);
        if (null !== $notedAs) {
            // What is made again brings its redirects along.
            $this->addresses->keep(array_values(array_filter($this->connection->fetchFirstColumn(<<<'SQL'
                SELECT row_id FROM journal.edit_row WHERE edit_id = ? AND table_name = 'place' AND before ->> 'address' IS DISTINCT
                FROM after ->> 'address'
                SQL, [$edit->id]), \is_string(...))));
            $this->end($notedAs, $edit->sentence, $ways);
        }
        // What stands in memory is older than what was written past it.
        $this->entities->flush();
        $this->entities->clear();

        return $ways;
    }

    /** Whether the edit took a row of a table away. */
    private function comesBack(string $editId, string $table): bool
    {
        return false !== $this->connection->fetchOne(<<<'SQL'
            SELECT 1 FROM journal.edit_row WHERE edit_id = ? AND table_name = ? AND after IS NULL LIMIT 1
            SQL, [$editId, $table]);
    }

    private function begin(Actor $by, Subject $about, ?string $takesBack = null): string
    {
        $id = (new UuidV7())->toRfc4122();
        $this->connection->insert(
            'journal.edit',
            ['id' => $id, 'person_id' => $by->personId(), 'about' => $about->value, 'sentence' => '', 'takes_back' => $takesBack],
        );
        $this->note($id);

        return $id;
    }

    /** @param array<string, MenuReversal> $ways what leads back in menus, by id */
    private function end(string $id, string $sentence, array $ways): void
    {
        $this->note('');
        $this->connection->update('journal.edit', ['sentence' => $sentence, 'menus' => self::stored($ways)], ['id' => $id]);
    }

    /** @param array<string, MenuReversal> $ways */
    private static function stored(array $ways): string
    {
        return json_encode((object) array_map(static fn (MenuReversal $one): array => $one->stored(), $ways), \JSON_THROW_ON_ERROR);
    }

    /** What is taken back goes by the same rules as an edit. */
    private function refuseWhatIsNotInOrder(string $editId): void
    {
        $this->entities->flush();
        $ids = [];
        foreach ($this->connection->fetchAllAssociative(<<<'SQL'
            SELECT table_name, row_id FROM journal.edit_row WHERE edit_id = ?
            SQL, [$editId]) as $columns) {
            $row = new Row($columns);
            $ids[$row->text('table_name')][] = $row->text('row_id');
        }
        // Blanks are asked about when it is published; a text may wait for its details here.
        unset($ids['words'], $ids['setting'], $ids['pick'], $ids['outside_mention']);
        $faults = array_values(array_filter(
            $this->changed->faults($ids),
            static fn (Fault $fault): bool => FaultKind::EmptyBlank !== $fault->kind,
        ));
        if ([] !== $faults) {
            throw new NotInOrder('edit', $faults);
        }
    }

    /** @param string $editId empty: changes are not noted any more */
    private function note(string $editId): void
    {
        $this->entities->flush();
        $this->connection->executeStatement("SELECT set_config('lantern.edit', ?, true)", [$editId]);
    }

    /** @param bool $isMadeAgain what was undone is made again; a place that goes with it was there before, so it may be published */
    private function restore(string $editId, string $table, Actor $by, bool $isMadeAgain): void
    {
        $id = \in_array($table, ReleaseReader::NAMED_TABLES, true) ? 'r.row_id' : 'r.row_id::uuid';
        $bookkeeping = self::BOOKKEEPING;
        $this->connection->executeStatement(<<<SQL
            SELECT 1 FROM $table t JOIN journal.edit_row r ON r.edit_id = ? AND r.table_name = '$table' AND t.id = $id FOR UPDATE OF t
            SQL, [$editId]);
        if ('place' === $table && !$isMadeAgain && false !== $this->connection->fetchOne(<<<SQL
            SELECT 1 FROM journal.edit_row r JOIN live.place l ON l.id = $id WHERE r.edit_id = ? AND r.table_name = 'place'
            AND r.before IS NULL LIMIT 1
            SQL, [$editId])) {
            throw new Refused('edit', 'What was made here is published by now, so it stays. Close or remove the places that should go.');
        }
        $filled = 'menu' === $table ? 'OR EXISTS (SELECT FROM entry e WHERE e.menu_id = t.id)' : '';
        // What the edit made different is still as it made it: else somebody was here since.
        $changed = $this->connection->fetchOne(<<<SQL
            SELECT count(*) FROM journal.edit_row r LEFT JOIN $table t ON t.id = $id
            WHERE r.edit_id = ? AND r.table_name = '$table' AND CASE
                WHEN r.after IS NULL THEN t.id IS NOT NULL AND r.before IS NOT NULL
                WHEN r.before IS NULL THEN (to_jsonb(t) - $bookkeeping) IS DISTINCT FROM (r.after - $bookkeeping) $filled
                ELSE t.id IS NULL OR EXISTS (
                    SELECT FROM jsonb_each(r.before - $bookkeeping) one
                    WHERE one.value IS DISTINCT FROM r.after -> one.key AND to_jsonb(t) -> one.key IS DISTINCT FROM r.after -> one.key)
            END
            SQL, [$editId]);
        if (0 !== $changed) {
            throw new Refused(
                'edit',
                \sprintf(
                    '%d of these %s changed since, so this is not taken back. Change them one by one.',
                    is_numeric($changed) ? $changed : 0,
                    [
                        'place' => 'places',
                        'redirect' => 'redirects',
                        'words' => 'texts',
                        'menu' => 'menus',
                        'entry' => 'entries',
                        'bay' => 'bays',
                        'pick' => 'products',
                        'outside_mention' => 'outside mentions',
                    ][$table]
                        ?? 'things',
                ),
            );
        }
        $this->connection->executeStatement(<<<SQL
            DELETE FROM $table t USING journal.edit_row r WHERE r.edit_id = ? AND r.table_name = '$table' AND r.before IS NULL
            AND t.id = $id
            SQL, [$editId]);
        $columns = $this->connection->fetchFirstColumn(<<<'SQL'
            SELECT column_name FROM information_schema.columns WHERE table_schema IN ('workbench', 'journal') AND table_name = ?
            AND column_name <> 'id'
            SQL, [$table]);
        $set = implode(
            ', ',
            array_map(static fn (mixed $column): string => \is_string($column) ? "$column = excluded.$column" : '', $columns),
        );
        $this->connection->executeStatement(<<<SQL
            INSERT INTO $table SELECT (jsonb_populate_record(NULL::$table, CASE WHEN t.id IS NULL THEN r.before ELSE
                to_jsonb(t)
                || (SELECT COALESCE(jsonb_object_agg(one.key, one.value), '{}') FROM jsonb_each(r.before - $bookkeeping) one
                    WHERE one.value IS DISTINCT FROM r.after -> one.key)
                || CASE WHEN jsonb_exists(r.before, 'changed_by') THEN jsonb_build_object('version', t.version_now + 1, 'changed_at',
                    journal.moment(), 'changed_by', CAST(:by AS text)) WHEN jsonb_exists(r.before, 'version') THEN
                    jsonb_build_object('version', t.version_now + 1) ELSE '{}' END
            END)).*
            FROM journal.edit_row r LEFT JOIN (SELECT t.*, (to_jsonb(t) ->> 'version')::int AS version_now FROM $table t) t ON t.id = $id
            WHERE r.edit_id = :edit AND r.table_name = '$table' AND r.before IS NOT NULL
            ON CONFLICT (id) DO UPDATE SET $set
            SQL, ['edit' => $editId, 'by' => $by->name]);
    }

    /** @param array<string, mixed> $columns */
    private static function edit(array $columns): Edit
    {
        $row = new Row($columns);
        $menus = [];
        foreach ($row->json('menus') as $menuId => $stored) {
            $menus[(string) $menuId] = MenuReversal::fromStored(\is_array($stored) ? $stored : []);
        }

        return new Edit($row->text('id'), $row->text('person_id'), Subject::from($row->text('about')), $row->text('sentence'), $menus);
    }
}
