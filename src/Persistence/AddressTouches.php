<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Lantern\Core\Impact\AddressChange;
use Lantern\Core\Impact\Readdressed;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** What a change of addresses touches besides redirects: menus, texts, visits, what stands outside. */
final readonly class AddressTouches
{
    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /** @return list<string> what the change does, in sentences */
    public function sentences(AddressChange $change): array
    {
        $parameters = [
            'ids' => array_map(static fn (Readdressed $one): string => $one->placeId, $change->moved),
            'old' => array_map(static fn (Readdressed $one): string => $one->from->path, $change->moved),
        ];
        $types = ['ids' => ArrayParameterType::STRING, 'old' => ArrayParameterType::STRING];
        $list = fn (string $sql): array => array_values(array_filter($this->connection->fetchFirstColumn($sql, $parameters, $types), \is_string(...)));
        $visits = $this->connection->fetchOne('SELECT COALESCE(sum(count), 0) FROM journal.visit WHERE address IN (:old) AND day > CURRENT_DATE - 30', $parameters, $types);

        return $change->sentences(
            $list('SELECT m.name FROM menu m WHERE m.id IN (SELECT e.menu_id FROM entry e WHERE e.place_id IN (:ids)) ORDER BY m.position, m.name'),
            $list('SELECT p.title FROM text_mention t JOIN place p ON p.id = t.source_id WHERE t.address IN (:old) ORDER BY p.title'),
            is_numeric($visits) ? (int) $visits : 0,
            $list("SELECT o.name || ' (' || o.kind || ')' FROM outside_mention o WHERE o.address IN (:old) OR o.address IN (SELECT address FROM live.place WHERE id IN (:ids)) ORDER BY o.name"),
        );
    }
}
