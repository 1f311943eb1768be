<?php

declare(strict_types=1);

namespace Lantern\Reading\Menus;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Lantern\Core\Menu\Bay;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Piece\Layout;
use Lantern\Reading\Sql\Row;

/** Menus and bays of one copy. */
final readonly class MenuReader
{
    public function __construct(private Connection $connection)
    {
    }

    public function tree(string $menuId): Tree
    {
        return $this->trees([$menuId])[$menuId];
    }

    /**
     * @param list<string> $menuIds
     *
     * @return array<string, Tree> by menu id; one for each id asked for
     */
    public function trees(array $menuIds): array
    {
        $rows = array_fill_keys($menuIds, []);
        $kinds = [];
        if ([] !== $menuIds) {
            $entries = $this->connection->fetchAllAssociative(<<<'SQL'
                SELECT m.id AS of_menu, m.kind AS of_kind, e.* FROM menu m LEFT JOIN entry e ON e.menu_id = m.id WHERE m.id IN (?)
                ORDER BY e.position, e.id
                SQL, [$menuIds], [ArrayParameterType::STRING]);
            foreach ($entries as $columns) {
                $row = new Row($columns);
                $kinds[$row->text('of_menu')] = match ($row->text('of_kind')) {
                    'panel' => Layout::panel(), 'page' => Layout::page(), 'column' => Layout::column(), default => null,
                };
                if (null !== $row->textOrNull('menu_id')) {
                    $rows[$row->text('menu_id')][] = $columns;
                }
            }
        }

        $trees = [];
        foreach ($rows as $id => $some) {
            $trees[$id] = EntryRows::toTree($some, $kinds[$id] ?? null);
        }

        return $trees;
    }

    /** @return list<Bay> in the order of the frame */
    public function bays(): array
    {
        return array_map(static function (array $columns): Bay {
            $row = new Row($columns);

            return new Bay(
                $row->text('id'),
                $row->text('heading'),
                $row->textOrNull('menu_id'),
                $row->int('share'),
                $row->textOrNull('beside'),
                $row->textOrNull('beside_title') ?? '',
                $row->bool('fills'),
            );
        }, $this->connection->fetchAllAssociative(<<<'SQL'
            SELECT b.*, p.title AS beside_title FROM bay b LEFT JOIN place p ON p.id = b.beside WHERE b.beside IS NULL
            OR p.id IS NOT NULL ORDER BY b.position, b.id
            SQL));
    }

    /** @return array<string, int> by menu */
    public function versions(): array
    {
        $versions = [];
        foreach ($this->connection->fetchAllAssociative('SELECT id, version FROM menu') as $columns) {
            $row = new Row($columns);
            $versions[$row->text('id')] = $row->int('version');
        }

        return $versions;
    }

    /** Of a menu, a page or a panel; null where it is none of them. */
    public function name(string $id): ?string
    {
        $name = $this->connection->fetchOne('SELECT name FROM menu WHERE id = ?', [$id]);

        return \is_string($name) ? $name : null;
    }

    /** The menu that an entry stands in. */
    public function menuOf(string $entryId): ?string
    {
        $menuId = $this->connection->fetchOne('SELECT menu_id FROM entry WHERE id = ?', [$entryId]);

        return \is_string($menuId) ? $menuId : null;
    }

    /** @return array<string, string> the names of the columns of pieces that hang in the footer or nowhere, by id */
    public function columns(): array
    {
        return $this->namesOf('column');
    }

    public function lastPosition(): int
    {
        $last = $this->connection->fetchOne('SELECT max(position) FROM menu WHERE kind = \'menu\'');

        return is_numeric($last) ? (int) $last : 0;
    }

    /** @return array<string, string> the names of all menus, by id */
    public function names(): array
    {
        return $this->namesOf('menu');
    }

    /** @return array<string, string> by id */
    private function namesOf(string $kind): array
    {
        $names = [];
        foreach ($this->connection->fetchAllAssociative(<<<'SQL'
            SELECT id, name FROM menu WHERE kind = ? ORDER BY position, name
            SQL, [$kind]) as $columns) {
            $row = new Row($columns);
            $names[$row->text('id')] = $row->text('name');
        }

        return $names;
    }
}
