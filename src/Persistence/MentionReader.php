<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\Connection;
use Lantern\Core\Impact\Mention;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Everything on the workbench, and what is known outside of it, that leads to a place. */
final readonly class MentionReader
{
    /** How many of one kind are told; a page that a thousand texts link to needs no longer list. */
    private const MOST = 200;

    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /** @return list<Mention> menu entries first, then texts, redirects, closed places, lists and what stands outside */
    public function of(Place $place): array
    {
        return [...$this->entries($place->id), ...$this->texts($place), ...$this->redirects($place->id), ...$this->closedPlaces($place->id), ...$this->lists($place), ...$this->outside($place)];
    }

    /** @return array<string, string> names of the menus with an entry that leads there, or could fill itself with it, by id */
    public function menusThatLeadTo(string $placeId): array
    {
        $menus = [];
        foreach ($this->connection->fetchAllAssociative('SELECT m.id, m.name FROM menu m WHERE m.id IN (SELECT menu_id FROM entry WHERE place_id = ? UNION SELECT menu_id FROM entry WHERE filling IS NOT NULL) ORDER BY m.position, m.name', [$placeId]) as $columns) {
            $row = new Row($columns);
            $menus[$row->text('id')] = $row->text('name');
        }

        return $menus;
    }

    /** @return list<Mention> */
    private function entries(string $placeId): array
    {
        return $this->mentions(<<<'SQL'
            WITH RECURSIVE above AS (
                SELECT e.id AS spot, e.menu_id, e.parent_id, COALESCE(e.label, p.title) AS label, e.part, CAST('' AS text) AS trail, 0 AS distance
                FROM entry e JOIN place p ON p.id = e.place_id WHERE e.place_id = :place
                UNION ALL
                SELECT a.spot, a.menu_id, e.parent_id, a.label, a.part, COALESCE(e.label, p.title, '') || CASE a.trail WHEN '' THEN '' ELSE ' › ' || a.trail END, a.distance + 1
                FROM above a JOIN entry e ON e.id = a.parent_id LEFT JOIN place p ON p.id = e.place_id WHERE a.distance < 10
            )
            SELECT 'entry' AS kind, m.name AS place, '“' || a.label || '”' || CASE a.trail WHEN '' THEN '' ELSE ' under ' || a.trail END || CASE a.part WHEN '' THEN '' ELSE ', to the part “' || a.part || '”' END AS says, m.id, a.spot
            FROM above a JOIN menu m ON m.id = a.menu_id WHERE a.parent_id IS NULL ORDER BY m.position, m.name, says
            SQL, ['place' => $placeId]);
    }

    /** @return list<Mention> */
    private function texts(Place $place): array
    {
        return $this->mentions(<<<'SQL'
            SELECT 'text' AS kind, p.title AS place, p.id,
                CASE min(t.form) WHEN 'button' THEN 'a button' WHEN 'picture' THEN 'a picture' ELSE CASE WHEN bool_and(t.place_id IS NULL) THEN 'a typed address' ELSE 'a link' END END
                    || CASE WHEN count(*) > 1 THEN ', ' || count(*) || ' times' ELSE '' END
                    || CASE WHEN p.light = 'closed' THEN ', in a closed ' || replace(p.kind, '-', ' ') ELSE '' END AS says, NULL AS spot
            FROM text_mention t JOIN place p ON p.id = t.source_id
            WHERE (t.place_id = :place OR t.address = :address) AND t.source_id <> :place
            GROUP BY p.id, p.title, p.light, p.kind ORDER BY p.title, p.id
            SQL, ['place' => $place->id, 'address' => $place->address->path]);
    }

    /** @return list<Mention> */
    private function redirects(string $placeId): array
    {
        return $this->mentions(<<<'SQL'
            SELECT 'redirect' AS kind, source || CASE WHEN is_prefix THEN '/*' ELSE '' END AS place, CASE status WHEN 301 THEN 'for good (301)' WHEN 302 THEN 'for now (302)' ELSE status::text END AS says, id, NULL AS spot
            FROM redirect WHERE goal_place_id = :place ORDER BY source
            SQL, ['place' => $placeId]);
    }

    /** @return list<Mention> */
    private function closedPlaces(string $placeId): array
    {
        return $this->mentions("SELECT 'closed-place' AS kind, title AS place, 'while it is closed' AS says, id, NULL AS spot FROM place WHERE closed_to = :place AND closed_answer = 'elsewhere' ORDER BY title", ['place' => $placeId]);
    }

    /**
     * The pages that list it by themselves, as long as it is open.
     *
     * @return list<Mention>
     */
    private function lists(Place $place): array
    {
        $sql = match ($place->kind) {
            PlaceKind::Product => <<<'SQL'
                SELECT p.title, p.id FROM standing s JOIN place p ON p.id = s.category_id WHERE s.product_id = :place
                UNION SELECT p.title, p.id FROM pick k JOIN place p ON p.id = k.collection_id WHERE k.product_id = :place
                UNION SELECT title, id FROM place WHERE kind = 'all-products' AND CAST(:place AS uuid) IS NOT NULL
                SQL,
            PlaceKind::Collection => "SELECT title, id FROM place WHERE kind = 'all-collections' AND CAST(:place AS uuid) IS NOT NULL",
            PlaceKind::Category, PlaceKind::Page, PlaceKind::Article => null === $place->parentId
                ? "SELECT title, id FROM place WHERE kind = 'front-page' AND CAST(:place AS uuid) IS NOT NULL AND ".(PlaceKind::Category === $place->kind ? 'true' : 'false')
                : 'SELECT p.title, p.id FROM place p JOIN place c ON c.parent_id = p.id WHERE c.id = :place',
            default => null,
        };

        return null === $sql || !$place->light->isShownInLists() ? [] : $this->mentions("SELECT 'list' AS kind, title AS place, 'its page lists it' AS says, id, NULL AS spot FROM ($sql) lists ORDER BY title", ['place' => $place->id]);
    }

    /**
     * Advertisements and the like, at its address of today, the one visitors know, or an old one that leads here.
     *
     * @return list<Mention>
     */
    private function outside(Place $place): array
    {
        return $this->mentions(<<<'SQL'
            SELECT 'outside' AS kind, o.name AS place, o.kind || CASE WHEN o.address = :address THEN '' ELSE ', by way of ' || o.address END AS says, o.id, NULL AS spot
            FROM outside_mention o
            WHERE o.address IN (
                SELECT CAST(:address AS text) UNION ALL SELECT address FROM live.place WHERE id = :place
                UNION ALL SELECT source FROM redirect WHERE goal_place_id = :place AND NOT is_prefix
            ) ORDER BY o.name
            SQL, ['place' => $place->id, 'address' => $place->address->path]);
    }

    /**
     * @param array<string, mixed> $parameters
     *
     * @return list<Mention>
     */
    private function mentions(string $sql, array $parameters): array
    {
        return array_map(static function (array $columns): Mention {
            $row = new Row($columns);

            return new Mention($row->text('kind'), $row->text('place'), $row->text('says'), $row->textOrNull('id'), $row->textOrNull('spot'));
        }, $this->connection->fetchAllAssociative("$sql LIMIT ".self::MOST, $parameters));
    }
}
