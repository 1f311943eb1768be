<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Lantern\Core\Menu\Tree;

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
        if ([] !== $menuIds) {
            $entries = $this->connection->fetchAllAssociative('SELECT * FROM entry WHERE menu_id IN (?) ORDER BY position, id', [$menuIds], [ArrayParameterType::STRING]);
            foreach ($entries as $columns) {
                $rows[(new Row($columns))->text('menu_id')][] = $columns;
            }
        }

        return array_map(EntryRows::toTree(...), $rows);
    }

    /** @return list<Bay> in the order of the frame */
    public function bays(): array
    {
        return array_map(static function (array $columns): Bay {
            $row = new Row($columns);

            return new Bay($row->text('id'), $row->text('heading'), $row->textOrNull('menu_id'));
        }, $this->connection->fetchAllAssociative('SELECT * FROM bay ORDER BY position'));
    }

    public function lastPosition(): int
    {
        $last = $this->connection->fetchOne('SELECT max(position) FROM menu');

        return is_numeric($last) ? (int) $last : 0;
    }

    /** @return array<string, string> the names of all menus, by id */
    public function names(): array
    {
        $names = [];
        foreach ($this->connection->fetchAllAssociative('SELECT id, name FROM menu ORDER BY position, name') as $columns) {
            $row = new Row($columns);
            $names[$row->text('id')] = $row->text('name');
        }

        return $names;
    }
}
