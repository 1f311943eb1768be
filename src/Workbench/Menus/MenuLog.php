<?php

declare(strict_types=1);

namespace Lantern\Workbench\Menus;

use Doctrine\DBAL\Connection;
use Lantern\Core\Menu\Conflict;
use Lantern\Core\Menu\Tree;
use Lantern\Interchange\Stored\Fields;
use Lantern\Interchange\Stored\MoveCodec;
use Lantern\Reading\Sql\Row;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\UuidV7;

/** What a menu was some versions ago, and what people wanted of its entries at the same time. */
final readonly class MenuLog
{
    /** How many versions back an edit can still be merged: more than anybody makes while a page stands open. */
    private const REACH = 200;

    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /** @param array<string, mixed> $inverse what leads back to the version before, in the shape of MoveCodec */
    public function note(string $menuId, int $version, array $inverse): void
    {
        $this->connection->executeStatement(<<<'SQL'
            INSERT INTO journal.menu_change (menu_id, version, inverse) VALUES (?, ?, ?)
            SQL, [$menuId, $version, json_encode($inverse, \JSON_THROW_ON_ERROR)]);
        $this->connection->executeStatement(<<<'SQL'
            DELETE FROM journal.menu_change WHERE menu_id = ? AND version <= ?
            SQL, [$menuId, $version - self::REACH]);
    }

    /** Whether every version between the two is noted. */
    public function reaches(string $menuId, int $version, int $current): bool
    {
        return $current - $version === \count($this->inverses($menuId, $version, $current));
    }

    /** The menu as it was at a version; null where that is too long ago. */
    public function treeAt(string $menuId, int $version, int $current, Tree $now): ?Tree
    {
        $inverses = $this->inverses($menuId, $version, $current);
        if ($version > $current || \count($inverses) !== $current - $version) {
            return null;
        }

        return array_reduce(
            $inverses,
            static fn (Tree $at, array $inverse): Tree => MoveCodec::decode(Fields::of($inverse))->apply($at),
            $now,
        );
    }

    /** @param list<Conflict> $conflicts */
    public function keep(string $menuId, array $conflicts, string $mine, string $theirs): void
    {
        foreach ($conflicts as $conflict) {
            $this->connection->insert('journal.alternative', [
                'id' => (new UuidV7())->toRfc4122(),
                'menu_id' => $menuId,
                'entry_id' => $conflict->entryId,
                'move' => json_encode(MoveCodec::encode($conflict->otherwise), \JSON_THROW_ON_ERROR),
                'person' => $conflict->mine ? $mine : $theirs,
            ]);
        }
    }

    public function alternative(string $menuId, string $id): ?Alternative
    {
        return array_values(array_filter($this->alternatives($menuId), static fn (Alternative $one): bool => $one->id === $id))[0] ?? null;
    }

    public function forget(string $alternativeId): void
    {
        $this->connection->delete('journal.alternative', ['id' => $alternativeId]);
    }

    /** @return list<Alternative> oldest first; only for entries that are still in the menu */
    public function alternatives(string $menuId): array
    {
        return array_map(static function (array $columns): Alternative {
            $row = new Row($columns);

            return new Alternative(
                $row->text('id'),
                $row->text('entry_id'),
                MoveCodec::decode(Fields::of($row->json('move'))),
                $row->text('person'),
            );
        }, $this->connection->fetchAllAssociative(<<<'SQL'
            SELECT a.* FROM journal.alternative a JOIN entry e ON e.id = a.entry_id AND e.menu_id = a.menu_id WHERE a.menu_id = ?
            ORDER BY a.id
            SQL, [$menuId]));
    }

    /** @return list<array<mixed>> latest first */
    private function inverses(string $menuId, int $version, int $current): array
    {
        return array_map(
            static fn (array $columns): array => (new Row($columns))->json('inverse'),
            $this->connection->fetchAllAssociative(<<<'SQL'
                SELECT inverse FROM journal.menu_change WHERE menu_id = ? AND version > ? AND version <= ? ORDER BY version DESC
                SQL, [$menuId, $version, $current]),
        );
    }
}
