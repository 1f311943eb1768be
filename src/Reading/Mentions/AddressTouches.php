<?php

declare(strict_types=1);

namespace Lantern\Reading\Mentions;

use Doctrine\DBAL\Connection;
use Lantern\Core\Impact\AddressChange;
use Lantern\Core\Impact\ChangedAddress;
use Lantern\Core\Impact\MentionWords;
use Lantern\Core\Impact\OutsideMention;
use Lantern\Core\Impact\Touch;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\Row;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** What a change of addresses touches besides redirects: menus, texts, visits, what stands outside. */
final readonly class AddressTouches
{
    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /** @return list<Touch> */
    public function of(AddressChange $change): array
    {
        $parameters = [
            'ids' => PgArray::of(array_map(static fn (ChangedAddress $one): string => $one->placeId, $change->moved)),
            'old' => PgArray::of(array_map(static fn (ChangedAddress $one): string => $one->from->path, $change->moved)),
        ];
        $list = fn (string $sql): array => array_values(array_filter(
            $this->connection->fetchFirstColumn($sql, $parameters),
            \is_string(...),
        ));
        $visits = $this->connection->fetchOne(<<<'SQL'
            SELECT COALESCE(sum(count), 0) FROM journal.visit WHERE address = ANY (CAST(:old AS text[]))
            AND day > journal.utc_day() - 30
            SQL, $parameters);

        $outside = array_map(static function (array $columns): string {
            $row = new Row($columns);

            return MentionWords::named(new OutsideMention($row->text('name'), null, $row->text('kind')));
        }, $this->connection->fetchAllAssociative(<<<'SQL'
            SELECT o.name, o.kind FROM outside_mention o WHERE o.address = ANY (CAST(:old AS text[]))
            OR o.address IN (SELECT address FROM live.place WHERE id = ANY (CAST(:ids AS uuid[]))) ORDER BY o.name
            SQL, $parameters));

        return $change->touches(
            $list(<<<'SQL'
                SELECT m.name FROM menu m WHERE m.kind <> 'page'
                AND m.id IN (SELECT e.menu_id FROM entry e WHERE e.place_id = ANY (CAST(:ids AS uuid[]))) ORDER BY m.position, m.name
                SQL),
            $list(<<<'SQL'
                SELECT p.title FROM text_mention t JOIN place p ON p.id = t.source_id WHERE t.address = ANY (CAST(:old AS text[]))
                ORDER BY p.title COLLATE by_name
                SQL),
            is_numeric($visits) ? (int) $visits : 0,
            $outside,
        );
    }
}
