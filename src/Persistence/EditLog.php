<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Menu\Move;
use Lantern\Core\Refused;
use Lantern\Persistence\Journal\Edit;
use Lantern\Persistence\Journal\Person;
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

    public function __construct(private EntityManagerInterface $entities, private UnitOfWork $work, private MenuEditor $menus, private AddressKeeper $addresses)
    {
        $this->connection = $entities->getConnection();
    }

    /**
     * @param string                     $about places, frame or redirects
     * @param \Closure(MenuMoves): string $make  makes the changes, and says what was done
     */
    public function run(Person $by, string $about, \Closure $make): Edit
    {
        return $this->work->run(function () use ($by, $about, $make): Edit {
            $id = (new UuidV7())->toRfc4122();
            $this->connection->insert('journal.edit', ['id' => $id, 'person_id' => $by->id, 'about' => $about, 'sentence' => '']);
            $this->note($id);
            $moves = new MenuMoves(function (string $menuId, Move $move) use ($id, $by): array {
                // Menus have a log of their own, where the moves of several people are merged.
                $this->note('');
                $made = $this->menus->follow($menuId, $move, $by);
                $this->note($id);

                return $made;
            });
            $sentence = $make($moves);
            $this->note('');
            $this->connection->update('journal.edit', ['sentence' => $sentence, 'menus' => json_encode((object) $moves->made(), \JSON_THROW_ON_ERROR)], ['id' => $id]);
            $this->connection->executeStatement('DELETE FROM journal.edit WHERE made_at < now() - make_interval(days => ?)', [self::KEPT_DAYS]);
            /** @var list<string> $made */
            $made = $this->connection->fetchFirstColumn("SELECT row_id FROM journal.edit_row WHERE edit_id = ? AND table_name = 'place' AND before IS NULL ORDER BY row_id", [$id]);

            return new Edit($id, $by->id, $about, $sentence, $moves->made(), $made);
        });
    }

    /**
     * An edit of this person that was not taken back yet.
     *
     * @throws Refused|NotThere
     */
    public function get(string $editId, Person $by): Edit
    {
        $row = $this->connection->fetchAssociative('SELECT * FROM journal.edit WHERE id = ? AND person_id = ?', [$editId, $by->id]);
        if (false === $row) {
            throw new NotThere('There is no such edit of yours, or it is too long ago.');
        }
        if ((new Row($row))->bool('undone')) {
            throw new Refused('edit', 'This was taken back already.');
        }

        return self::edit($row);
    }

    /** The last edit of a person that can be taken back. */
    public function last(string $about, Person $by): ?Edit
    {
        $row = $this->connection->fetchAssociative('SELECT * FROM journal.edit WHERE person_id = ? AND about = ? AND NOT undone ORDER BY id DESC LIMIT 1', [$by->id, $about]);

        return false === $row ? null : self::edit($row);
    }

    /**
     * @throws Refused where somebody changed since what the edit made different
     */
    public function takeBack(Edit $edit, Person $by): void
    {
        $this->work->run(function () use ($edit, $by): void {
            if (0 === (int) $this->connection->executeStatement('UPDATE journal.edit SET undone = true WHERE id = ? AND NOT undone', [$edit->id])) {
                throw new Refused('edit', 'This was taken back already.');
            }
            $this->connection->executeStatement('SET CONSTRAINTS ALL DEFERRED');
            $tables = array_filter($this->connection->fetchFirstColumn('SELECT DISTINCT table_name FROM journal.edit_row WHERE edit_id = ? ORDER BY 1', [$edit->id]), \is_string(...));
            foreach (array_diff($tables, self::AFTER_ENTRIES) as $table) {
                $this->restore($edit->id, $table, $by);
            }
            try {
                $this->connection->executeStatement('SET CONSTRAINTS ALL IMMEDIATE');
            } catch (UniqueConstraintViolationException $violation) {
                throw new Refused('edit', 'Something else stands at one of these addresses by now, so this is not taken back. Change that first.', $violation);
            }
            // Entries come after the places that they lead to, and before the menus that they stand in.
            foreach ($edit->menus as $menuId => $made) {
                $this->menus->unfollow($menuId, $made['version'], $made['inverse'], $by);
            }
            foreach (array_intersect(self::AFTER_ENTRIES, $tables) as $table) {
                $this->restore($edit->id, $table, $by);
            }
            $this->addresses->keep(array_values(array_filter($this->connection->fetchFirstColumn("SELECT row_id FROM journal.edit_row WHERE edit_id = ? AND table_name = 'place' AND before ->> 'address' IS DISTINCT FROM after ->> 'address'", [$edit->id]), \is_string(...))));
            // What stands in memory is older than what was written past it.
            $this->entities->flush();
            $this->entities->clear();
        });
    }

    /** @param string $editId empty: changes are not noted any more */
    private function note(string $editId): void
    {
        $this->entities->flush();
        $this->connection->executeStatement("SELECT set_config('lantern.edit', ?, true)", [$editId]);
    }

    private function restore(string $editId, string $table, Person $by): void
    {
        $id = \in_array($table, Publisher::NAMED_TABLES, true) ? 'r.row_id' : 'r.row_id::uuid';
        $bookkeeping = self::BOOKKEEPING;
        $this->connection->executeStatement("SELECT 1 FROM $table t JOIN journal.edit_row r ON r.edit_id = ? AND r.table_name = '$table' AND t.id = $id FOR UPDATE OF t", [$editId]);
        if ('place' === $table && false !== $this->connection->fetchOne("SELECT 1 FROM journal.edit_row r JOIN live.place l ON l.id = $id WHERE r.edit_id = ? AND r.table_name = 'place' AND r.before IS NULL LIMIT 1", [$editId])) {
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
            throw new Refused('edit', \sprintf('%d of these %s changed since, so this is not taken back. Change them one by one.', is_numeric($changed) ? $changed : 0, ['place' => 'places', 'redirect' => 'redirects', 'words' => 'texts', 'menu' => 'menus', 'entry' => 'entries', 'bay' => 'bays'][$table] ?? 'things'));
        }
        $this->connection->executeStatement("DELETE FROM $table t USING journal.edit_row r WHERE r.edit_id = ? AND r.table_name = '$table' AND r.before IS NULL AND t.id = $id", [$editId]);
        $columns = $this->connection->fetchFirstColumn("SELECT column_name FROM information_schema.columns WHERE table_schema = 'workbench' AND table_name = ? AND column_name <> 'id'", [$table]);
        $set = implode(', ', array_map(static fn (mixed $column): string => \is_string($column) ? "$column = excluded.$column" : '', $columns));
        $this->connection->executeStatement(<<<SQL
            INSERT INTO $table SELECT (jsonb_populate_record(NULL::$table, CASE WHEN t.id IS NULL THEN r.before ELSE
                to_jsonb(t)
                || (SELECT COALESCE(jsonb_object_agg(one.key, one.value), '{}') FROM jsonb_each(r.before - $bookkeeping) one WHERE one.value IS DISTINCT FROM r.after -> one.key)
                || CASE WHEN jsonb_exists(r.before, 'changed_by') THEN jsonb_build_object('version', t.version_now + 1, 'changed_at', now(), 'changed_by', CAST(:by AS text)) WHEN jsonb_exists(r.before, 'version') THEN jsonb_build_object('version', t.version_now + 1) ELSE '{}' END
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
        /** @var array<string, array{version: int, inverse: array<string, mixed>}> $menus */
        $menus = $row->json('menus');

        return new Edit($row->text('id'), $row->text('person_id'), $row->text('about'), $row->text('sentence'), $menus);
    }
}
