<?php

declare(strict_types=1);

namespace Lantern\Reading\Pieces;

use Doctrine\DBAL\Connection;
use Lantern\Reading\Sql\Row;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The sign-ups that the workbench has. */
final readonly class SignUps
{
    private const MOST = 20;

    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /** @return array<string, list<SignUpTwice>> by the column of the footer */
    public function twice(): array
    {
        $twice = [];
        foreach ($this->connection->fetchAllAssociative(<<<'SQL'
            SELECT c.id AS column_id, f.id AS entry_id, e.menu_id, e.id AS other_id, m.version, c.version AS own_version,
                COALESCE(p.title, m.name) AS page, f.piece ->> 'list' AS list
            FROM bay b JOIN menu c ON c.id = b.menu_id AND c.kind = 'column'
            JOIN entry f ON f.menu_id = c.id AND f.piece ->> 'kind' = 'sign-up' AND f.enabled AND f.piece ->> 'list' <> ''
            JOIN entry e ON e.on_page IS NOT NULL AND e.piece ->> 'kind' = 'sign-up' AND e.enabled
                AND e.piece ->> 'list' = f.piece ->> 'list'
            JOIN menu m ON m.id = e.menu_id JOIN place p ON p.id = m.id AND p.light <> 'closed'
            ORDER BY p.title COLLATE by_name, e.id LIMIT :most
            SQL, ['most' => self::MOST]) as $columns) {
            $row = new Row($columns);
            $twice[$row->text('column_id')][] = new SignUpTwice(
                $row->text('entry_id'),
                $row->text('menu_id'),
                $row->text('other_id'),
                $row->int('version'),
                $row->int('own_version'),
                $row->text('page'),
                $row->text('list'),
            );
        }

        return $twice;
    }

    /** @return list<string> the lists that sign-ups of the workbench write into, by name */
    public function lists(): array
    {
        return array_values(array_filter($this->connection->fetchFirstColumn(<<<'SQL'
            SELECT DISTINCT piece ->> 'list' FROM entry WHERE piece ->> 'kind' = 'sign-up' AND piece ->> 'list' <> '' ORDER BY 1
            SQL), \is_string(...)));
    }
}
