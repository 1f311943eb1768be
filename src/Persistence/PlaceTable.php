<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\PlaceKind;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The places of the workbench as the management interface lists them: searched, narrowed, a page at a time. */
final readonly class PlaceTable
{
    public const PAGE = 100;

    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /**
     * A page of the table, by title.
     *
     * @param string|null $after id of the place that the page before ended with
     *
     * @return list<ListedPlace> one more than a page where there is a next one
     */
    public function page(string $words, ?PlaceKind $kind, ?Light $light, bool $inNoMenu, ?string $after): array
    {
        [$where, $parameters] = $this->matching($words);
        if (null !== $kind) {
            $where .= ' AND p.kind = :kind';
            $parameters['kind'] = $kind->value;
        }
        if (null !== $light) {
            $where .= ' AND p.light = :light';
            $parameters['light'] = $light->value;
        }
        if ($inNoMenu) {
            $where .= ' AND NOT EXISTS (SELECT FROM entry e WHERE e.place_id = p.id)';
        }
        if (null !== $after) {
            $where .= ' AND (p.title, p.id) > (SELECT title, id FROM place WHERE id = :after)';
            $parameters['after'] = $after;
        }

        return $this->listed("SELECT p.* FROM place p WHERE $where ORDER BY p.title, p.id LIMIT ".(self::PAGE + 1), 'p.title, p.id', $parameters);
    }

    /**
     * The places that a few letters could mean, likeliest first: titles that begin with them, then
     * places that no menu leads to.
     *
     * @return list<ListedPlace>
     */
    public function find(string $words, int $most = 12): array
    {
        [$where, $parameters] = $this->matching($words);
        $parameters['begins'] = addcslashes(trim($words), '%_\\').'%';

        return $this->listed(
            "SELECT p.*, p.title ILIKE :begins AS begins, EXISTS (SELECT FROM entry e WHERE e.place_id = p.id) AS in_menu FROM place p WHERE $where ORDER BY begins DESC, in_menu, p.kind = 'product', p.title, p.id LIMIT $most",
            "p.begins DESC, p.in_menu, p.kind = 'product', p.title, p.id",
            $parameters,
        );
    }

    public function one(string $id): ListedPlace
    {
        return $this->listed('SELECT p.* FROM place p WHERE p.id = :id', 'p.id', ['id' => $id])[0] ?? throw NotThere::place();
    }

    /** How many places stand below an address. */
    public function countBelow(Address $address): int
    {
        $count = $this->connection->fetchOne('SELECT count(*) FROM place WHERE address LIKE ?', [addcslashes($address->path, '%_\\').'/%']);

        return is_numeric($count) ? (int) $count : 0;
    }

    /** @return list<string> outside mentions of an address, such as "Autumn advertisement (advertisement)" */
    public function outsideMentions(string $address): array
    {
        return array_map(static fn (array $columns): string => (new Row($columns))->text('said'), $this->connection->fetchAllAssociative("SELECT name || ' (' || kind || ')' AS said FROM journal.outside_mention WHERE address = ? ORDER BY name", [$address]));
    }

    /** @return array{string, array<string, mixed>} */
    private function matching(string $words): array
    {
        $where = 'true';
        $parameters = [];
        foreach (\array_slice(preg_split('/\s+/u', trim($words), -1, \PREG_SPLIT_NO_EMPTY) ?: [], 0, 8) as $n => $word) {
            $where .= " AND (p.title ILIKE :word$n OR p.address ILIKE :word$n OR p.kind ILIKE :word$n)";
            $parameters["word$n"] = '%'.addcslashes($word, '%_\\').'%';
        }

        return [$where, $parameters];
    }

    /**
     * @param array<string, mixed> $parameters
     *
     * @return list<ListedPlace>
     */
    private function listed(string $places, string $order, array $parameters): array
    {
        $rows = $this->connection->fetchAllAssociative(<<<SQL
            WITH p AS ($places)
            SELECT p.*,
                (SELECT to_jsonb(array_agg(DISTINCT m.name ORDER BY m.name)) FROM entry e JOIN menu m ON m.id = e.menu_id WHERE e.place_id = p.id) AS menus,
                (SELECT COALESCE(sum(v.count), 0) FROM journal.visit v WHERE v.address IN (p.address, l.address) AND v.day > CURRENT_DATE - 30) AS visits,
                l.address AS live_address
            FROM p LEFT JOIN live.place l ON l.id = p.id ORDER BY $order
            SQL, $parameters);

        return array_map(static function (array $columns): ListedPlace {
            $row = new Row($columns);

            return new ListedPlace(
                PlaceReader::fromRow($columns),
                $row->int('version'),
                $row->text('summary'),
                $row->texts('menus'),
                $row->int('visits'),
                $row->textOrNull('live_address'),
                new \DateTimeImmutable($row->text('changed_at')),
                $row->text('changed_by'),
            );
        }, $rows);
    }
}
