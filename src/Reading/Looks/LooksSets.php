<?php

declare(strict_types=1);

namespace Lantern\Reading\Looks;

use Doctrine\DBAL\Connection;
use Lantern\Core\Looks\Looks;
use Lantern\Core\Looks\LooksSet;
use Lantern\Reading\Copies\Row;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The sets of looks that can be tried: those that ship, and those that the shop keeps. */
final readonly class LooksSets
{
    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /** @return list<LooksSet> */
    public function all(): array
    {
        $kept = array_map(static function (array $values): LooksSet {
            $row = new Row($values);
            $looks = json_decode($row->text('looks'), true);

            return new LooksSet($row->text('id'), $row->text('name'), Looks::of(array_filter(\is_array($looks) ? $looks : [], \is_string(...))), false);
        }, $this->connection->fetchAllAssociative('SELECT id, name, looks FROM looks_set ORDER BY name'));

        return [...LooksSet::shipped(), ...$kept];
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
