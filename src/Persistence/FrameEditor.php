<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\Connection;
use Lantern\Core\Menu\HeaderWithoutMenu;
use Lantern\Core\Refused;
use Lantern\Persistence\Journal\Person;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\UuidV7;

/**
 * Hangs menus in the bays of the frame, makes and removes them, and writes what else the frame shows.
 * Each change notes the rows as they were, so that whoever made it can take it back.
 */
final readonly class FrameEditor
{
    private const MAX_NAME = 200;
    private const MAX_NOTICE = 300;
    private const STEPS_KEPT = 100;

    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /** @param string|null $menuId null: takes down what hangs there */
    public function hang(string $bayId, ?string $menuId, Person $by): void
    {
        $this->change($by, function () use ($bayId, $menuId): void {
            $this->refuseUnknownMenu($menuId);
            $this->setBay($bayId, ['menu_id' => $menuId]);
        }, [['bay', $bayId]]);
    }

    public function swap(string $oneId, string $otherId, Person $by): void
    {
        $this->change($by, function () use ($oneId, $otherId): void {
            $bays = $this->connection->fetchAllAssociativeIndexed('SELECT id, menu_id, heading FROM bay WHERE id IN (?, ?) FOR UPDATE', [$oneId, $otherId]);
            if (2 !== \count($bays)) {
                throw new Refused('bay', 'Choose two different bays to swap.');
            }
            $this->setBay($oneId, $bays[$otherId]);
            $this->setBay($otherId, $bays[$oneId]);
        }, [['bay', $oneId], ['bay', $otherId]]);
    }

    public function heading(string $bayId, string $heading, Person $by): void
    {
        if (mb_strlen(trim($heading)) > self::MAX_NAME) {
            throw new Refused('heading', \sprintf('A heading has at most %d characters.', self::MAX_NAME));
        }
        $this->change($by, fn () => $this->setBay($bayId, ['heading' => trim($heading)]), [['bay', $bayId]]);
    }

    /**
     * @param string|null $bayId where it hangs at once
     *
     * @return string id of the new menu
     */
    public function make(string $name, ?string $bayId, Person $by): string
    {
        $id = (new UuidV7())->toRfc4122();
        $this->change($by, function () use ($id, $name, $bayId, $by): void {
            $this->connection->executeStatement('INSERT INTO menu (id, name, position, changed_at, changed_by) SELECT ?, ?, COALESCE(max(position), 0) + 1, now(), ? FROM menu', [$id, self::name($name), $by->name]);
            if (null !== $bayId) {
                $this->setBay($bayId, ['menu_id' => $id] + (str_starts_with($bayId, 'footer-') ? ['heading' => self::name($name)] : []));
            }
        }, [['menu', $id], ...(null === $bayId ? [] : [['bay', $bayId]])]);

        return $id;
    }

    public function rename(string $menuId, string $name, Person $by): void
    {
        $this->change($by, function () use ($menuId, $name): void {
            $this->refuseUnknownMenu($menuId);
            $this->connection->executeStatement('UPDATE menu SET name = ? WHERE id = ?', [self::name($name), $menuId]);
        }, [['menu', $menuId]]);
    }

    /**
     * @param bool $evenIfItHangs else a menu that hangs somewhere is not removed, and where is said
     */
    public function remove(string $menuId, bool $evenIfItHangs, Person $by): void
    {
        $this->refuseUnknownMenu($menuId);
        /** @var list<string> $bays */
        $bays = $this->connection->fetchFirstColumn('SELECT id FROM bay WHERE menu_id = ? ORDER BY position', [$menuId]);
        if ([] !== $bays && !$evenIfItHangs) {
            throw new Refused('menu', \sprintf('This menu hangs in the %s. Visitors would find nothing there.', implode(' and the ', array_map(static fn (string $bay): string => lcfirst(Bay::words($bay)), $bays))));
        }
        $entries = $this->connection->fetchFirstColumn('SELECT id FROM entry WHERE menu_id = ?', [$menuId]);
        $rows = [['menu', $menuId], ...array_map(static fn (string $bay): array => ['bay', $bay], $bays), ...array_map(static fn (mixed $id): array => ['entry', \is_string($id) ? $id : ''], $entries)];
        $this->change($by, function () use ($menuId): void {
            $this->connection->executeStatement('UPDATE bay SET menu_id = NULL WHERE menu_id = ?', [$menuId]);
            $this->connection->executeStatement('DELETE FROM entry WHERE menu_id = ?', [$menuId]);
            $this->connection->executeStatement('DELETE FROM menu WHERE id = ?', [$menuId]);
        }, $rows);
    }

    public function notice(string $words, Person $by): void
    {
        if (mb_strlen(trim($words)) > self::MAX_NOTICE) {
            throw new Refused('notice', \sprintf('A notice has at most %d characters, or nobody reads it. Shorten it.', self::MAX_NOTICE));
        }
        $this->setting('notice', trim($words), $by);
    }

    public function withoutMenu(HeaderWithoutMenu $shows, Person $by): void
    {
        $this->setting(HeaderWithoutMenu::SETTING, $shows->value, $by);
    }

    /** @param bool $onClick whether dropdowns of the header open on a click only, not under the pointer */
    public function opensOnClick(bool $onClick, Person $by): void
    {
        $this->setting(Frame::OPENS, $onClick ? 'click' : 'hover', $by);
    }

    public function canUndo(Person $by): bool
    {
        return false !== $this->connection->fetchOne('SELECT 1 FROM journal.frame_step WHERE person_id = ? LIMIT 1', [$by->id]);
    }

    /** Takes back the last change of the frame that a person made: the rows it reached are as they were. */
    public function undo(Person $by): void
    {
        $this->connection->transactional(function () use ($by): void {
            $step = $this->connection->fetchAssociative('DELETE FROM journal.frame_step WHERE id = (SELECT id FROM journal.frame_step WHERE person_id = ? ORDER BY id DESC LIMIT 1) RETURNING before', [$by->id]);
            if (false === $step) {
                throw new Refused('frame', 'There is nothing to undo on the map.');
            }
            $kept = (new Row($step))->json('before');
            foreach ($kept as $one) {
                /** @var array{table: string, id: string, row: array<string, mixed>|null} $one */
                $this->restore($one['table'], $one['id'], $one['row']);
            }
        });
    }

    private function setting(string $id, string $value, Person $by): void
    {
        $this->change($by, fn () => $this->connection->executeStatement('INSERT INTO setting (id, value) VALUES (?, to_jsonb(CAST(? AS text))) ON CONFLICT (id) DO UPDATE SET value = excluded.value', [$id, $value]), [['setting', $id]]);
    }

    /**
     * @param list<array{string, string}> $rows table and id of every row that it reaches
     */
    private function change(Person $by, \Closure $change, array $rows): void
    {
        $this->connection->transactional(function () use ($by, $change, $rows): void {
            $before = [];
            foreach (self::byTable($rows) as $table => $ids) {
                $found = $this->connection->fetchAllKeyValue("SELECT t.id::text, to_jsonb(t) FROM $table t WHERE t.id::text = ANY (CAST(? AS text[]))", ['{'.implode(',', $ids).'}']);
                foreach ($ids as $id) {
                    $before[] = ['table' => $table, 'id' => $id, 'row' => \is_string($found[$id] ?? null) ? json_decode($found[$id], true, 16, \JSON_THROW_ON_ERROR) : null];
                }
            }
            $change();
            $this->connection->insert('journal.frame_step', ['id' => (new UuidV7())->toRfc4122(), 'person_id' => $by->id, 'before' => json_encode($before, \JSON_THROW_ON_ERROR)]);
            $this->connection->executeStatement('DELETE FROM journal.frame_step WHERE person_id = ? AND id NOT IN (SELECT id FROM journal.frame_step WHERE person_id = ? ORDER BY id DESC LIMIT '.self::STEPS_KEPT.')', [$by->id, $by->id]);
        });
    }

    /**
     * @param list<array{string, string}> $rows
     *
     * @return array<string, list<string>> ids by table
     */
    private static function byTable(array $rows): array
    {
        $byTable = [];
        foreach ($rows as [$table, $id]) {
            $byTable[$table][] = $id;
        }

        return $byTable;
    }

    /** @param array<string, mixed>|null $row null: it was not there */
    private function restore(string $table, string $id, ?array $row): void
    {
        $this->connection->executeStatement("DELETE FROM $table WHERE id::text = ?", [$id]);
        if (null !== $row) {
            $this->connection->executeStatement("INSERT INTO $table SELECT * FROM jsonb_populate_record(NULL::$table, CAST(? AS jsonb))", [json_encode($row, \JSON_THROW_ON_ERROR)]);
        } elseif ('menu' === $table) {
            $this->connection->executeStatement('DELETE FROM entry WHERE menu_id = ?', [$id]);
            $this->connection->executeStatement('UPDATE bay SET menu_id = NULL WHERE menu_id = ?', [$id]);
        }
    }

    /** @param array<string, mixed> $columns */
    private function setBay(string $bayId, array $columns): void
    {
        if (0 === (int) $this->connection->update('bay', $columns, ['id' => $bayId]) && false === $this->connection->fetchOne('SELECT 1 FROM bay WHERE id = ?', [$bayId])) {
            throw new Refused('bay', 'The frame has no such bay.');
        }
    }

    private function refuseUnknownMenu(?string $menuId): void
    {
        if (null !== $menuId && false === $this->connection->fetchOne('SELECT 1 FROM menu WHERE id = ?', [$menuId])) {
            throw NotThere::menu();
        }
    }

    private static function name(string $name): string
    {
        $name = trim($name);
        if ('' === $name || mb_strlen($name) > self::MAX_NAME) {
            throw new Refused('name', \sprintf('A menu has a name of 1 to %d characters, which only you and your colleagues read.', self::MAX_NAME));
        }

        return $name;
    }
}
