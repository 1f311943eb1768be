<?php

declare(strict_types=1);

namespace Lantern\Reading\Looks;

use Doctrine\DBAL\Connection;
use Lantern\Core\Looks\Looks;
use Lantern\Core\Looks\LooksSet;
use Lantern\Reading\Sql\Row;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The sets of looks that can be tried: those that ship, and those that the shop keeps. */
final readonly class LooksSets
{
    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /** @return list<LooksSet> those that ship, those that the shop keeps, and what it had */
    public function all(): array
    {
        $kept = array_map(static function (array $values): LooksSet {
            $row = new Row($values);
            $looks = json_decode($row->text('looks'), true);

            return new LooksSet(
                $row->text('id'),
                $row->text('name'),
                Looks::of(array_filter(\is_array($looks) ? $looks : [], \is_string(...))),
                false,
            );
        }, $this->connection->fetchAllAssociative('SELECT id, name, looks FROM looks_set ORDER BY name COLLATE by_name'));

        return [...LooksSet::shipped(), ...$kept, ...$this->earlier()];
    }

    /**
     * The looks that visitors have, where the workbench has others; and those before the last release that changed them.
     *
     * @return list<LooksSet>
     */
    private function earlier(): array
    {
        $settings = fn (string $copy): array => $this->settings("SELECT id, value #>> '{}' FROM $copy.setting WHERE id LIKE 'looks\\_%'");
        $live = $settings('live');
        $before = $this->settings(
            "SELECT r.row_id, r.before -> 'value' #>> '{}' FROM journal.release_row r WHERE r.table_name = 'setting' AND r.row_id LIKE "
                ."'looks\\_%' AND r.release_id = (SELECT r.release_id FROM journal.release_row r JOIN journal.release n ON n.id = "
                ."r.release_id WHERE r.table_name = 'setting' AND r.row_id LIKE 'looks\\_%' AND n.number > 1 ORDER BY n.number DESC "
                .'LIMIT 1)',
        );
        $sets = Looks::of($live)->equals(Looks::of($settings('workbench')))
            ? []
            : [new LooksSet('live', 'As visitors see it now', Looks::of($live), true)];

        return [] === $before
            ? $sets
            : [
                ...$sets,
                new LooksSet(
                    'before',
                    'As before the last change',
                    Looks::of(array_filter($before, static fn (string $one): bool => '' !== $one) + array_diff_key($live, $before)),
                    true,
                ),
            ];
    }

    /** @return array<string, string> by setting; the empty text where it was not there */
    private function settings(string $sql): array
    {
        $settings = [];
        foreach ($this->connection->fetchAllNumeric($sql) as [$id, $value]) {
            if (\is_string($id)) {
                $settings[$id] = \is_string($value) ? $value : '';
            }
        }

        return $settings;
    }

    public function get(string $id): ?LooksSet
    {
        foreach ($this->all() as $set) {
            if ($set->id === $id) {
                return $set;
            }
        }

        return null;
    }
}
