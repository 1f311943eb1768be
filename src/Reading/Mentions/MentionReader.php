<?php

declare(strict_types=1);

namespace Lantern\Reading\Mentions;

use Doctrine\DBAL\Connection;
use Lantern\Core\Impact\EntryMention;
use Lantern\Core\Impact\LinkForm;
use Lantern\Core\Impact\Mention;
use Lantern\Core\Impact\MentionKind;
use Lantern\Core\Impact\OutsideMention;
use Lantern\Core\Impact\RedirectMention;
use Lantern\Core\Impact\TextMention;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Reading\Sql\Row;
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
        return [
            ...$this->entries($place->id),
            ...$this->texts($place),
            ...$this->pieces($place->id),
            ...$this->redirects($place->id),
            ...$this->closedPlaces($place->id),
            ...$this->lists($place),
            ...$this->outside($place),
        ];
    }

    /**
     * @param bool $pages whether pages that are laid out are among them
     *
     * @return array<string, string> names of the menus with an entry that leads there, or could fill itself with it, by id
     */
    public function menusThatLeadTo(string $placeId, bool $pages = false): array
    {
        $menus = [];
        foreach ($this->connection->fetchAllAssociative(
            <<<'SQL'
                SELECT m.id, COALESCE(hm.name || ', the wide panel of “' || m.name || '”', m.name) AS name FROM menu m
                LEFT JOIN entry h ON m.kind = 'panel' AND h.id = m.id LEFT JOIN menu hm ON hm.id = h.menu_id
                WHERE m.id IN (SELECT menu_id FROM entry WHERE place_id = ? UNION SELECT menu_id FROM entry WHERE filling IS NOT NULL)
                SQL
                .($pages ? '' : " AND m.kind <> 'page'").' ORDER BY m.position, m.name',
            [$placeId],
        ) as $columns) {
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
                SELECT e.id AS spot, e.menu_id, e.parent_id, COALESCE(e.label, p.title) AS label, e.part, CAST('{}' AS text[]) AS trail
                FROM entry e JOIN place p ON p.id = e.place_id WHERE e.place_id = :place
                UNION ALL
                SELECT a.spot, a.menu_id, e.parent_id, a.label, a.part, ARRAY[COALESCE(e.label, p.title, '')] || a.trail
                FROM above a JOIN entry e ON e.id = a.parent_id LEFT JOIN place p ON p.id = e.place_id WHERE cardinality(a.trail) < 10
            )
            SELECT COALESCE(hm.name || ', the wide panel of “' || m.name || '”', m.name) AS name, m.id, a.spot, a.label, a.part,
                array_to_json(array_remove(a.trail, '')) AS trail
            FROM above a JOIN menu m ON m.id = a.menu_id LEFT JOIN entry h ON m.kind = 'panel' AND h.id = m.id
                LEFT JOIN menu hm ON hm.id = h.menu_id
            WHERE a.parent_id IS NULL AND m.kind <> 'page' AND (m.kind IN ('menu', 'column') OR h.id IS NOT NULL)
                ORDER BY m.position, m.name, a.label, a.trail
            SQL, ['place' => $placeId], static fn (Row $row): Mention => new EntryMention(
            $row->text('name'),
            $row->text('id'),
            $row->text('spot'),
            $row->text('label'),
            $row->texts('trail'),
            $row->text('part'),
        ));
    }

    /** @return list<Mention> */
    private function texts(Place $place): array
    {
        return $this->mentions(<<<'SQL'
            SELECT p.title, p.id, CASE WHEN min(t.form) IN ('button', 'picture', 'video') THEN min(t.form) WHEN bool_and(t.place_id IS
                NULL) THEN 'typed' ELSE 'link' END AS form,
                count(*) AS times, CASE WHEN p.light = 'closed' THEN p.kind END AS closed
            FROM shown_text_mention t JOIN place p ON p.id = t.source_id
            WHERE (t.place_id = :place OR t.address = :address) AND t.source_id <> :place
            GROUP BY p.id, p.title, p.light, p.kind ORDER BY p.title COLLATE by_name, p.id
            SQL, ['place' => $place->id, 'address' => $place->address->path], static fn (Row $row): Mention => new TextMention(
            $row->text('title'),
            $row->text('id'),
            LinkForm::from($row->text('form')),
            $row->int('times'),
            PlaceKind::tryFrom($row->textOrNull('closed') ?? ''),
        ));
    }

    /**
     * What is laid out on pages, and the words within wide panels.
     *
     * @return list<Mention>
     */
    private function pieces(string $placeId): array
    {
        return [...$this->mentions(<<<'SQL'
            SELECT p.title, p.id, CASE WHEN bool_and(e.piece ->> 'kind' = 'button') THEN 'button' WHEN bool_and(e.piece ->> 'kind' =
                'picture') THEN 'picture' ELSE 'piece' END AS form,
                count(*) AS times, CASE WHEN p.light = 'closed' THEN p.kind END AS closed
            FROM entry e JOIN place p ON p.id = e.on_page WHERE e.place_id = :place AND e.on_page <> :place
            GROUP BY p.id, p.title, p.light, p.kind ORDER BY p.title COLLATE by_name, p.id
            SQL, ['place' => $placeId], static fn (Row $row): Mention => new TextMention(
            $row->text('title'),
            $row->text('id'),
            LinkForm::from($row->text('form')),
            $row->int('times'),
            PlaceKind::tryFrom($row->textOrNull('closed') ?? ''),
            true,
        )),
            ...$this->mentions(<<<'SQL'
            SELECT DISTINCT COALESCE(hm.name || ', the wide panel of “' || m.name || '”', m.name) AS name, m.id, t.piece_id AS spot
            FROM shown_text_mention t JOIN menu m ON m.id = t.source_id AND m.kind IN ('panel', 'column')
                LEFT JOIN entry h ON h.id = m.id LEFT JOIN menu hm ON hm.id = h.menu_id
            WHERE t.place_id = :place AND (m.kind = 'column' OR hm.id IS NOT NULL) ORDER BY name
            SQL, ['place' => $placeId], static fn (Row $row): Mention => new EntryMention(
                $row->text('name'),
                $row->text('id'),
                $row->text('spot'),
                'words',
            )),
        ];
    }

    /** @return list<Mention> */
    private function redirects(string $placeId): array
    {
        return $this->mentions(<<<'SQL'
            SELECT source || CASE WHEN is_prefix THEN '/*' ELSE '' END AS source, status, id FROM redirect WHERE goal_place_id = :place
                ORDER BY source
            SQL, ['place' => $placeId], static fn (Row $row): Mention => new RedirectMention(
            $row->text('source'),
            $row->text('id'),
            RedirectStatus::from($row->int('status')),
        ));
    }

    /** @return list<Mention> */
    private function closedPlaces(string $placeId): array
    {
        return $this->mentions(<<<'SQL'
            SELECT title, id FROM place WHERE closed_to = :place AND closed_answer = 'elsewhere' ORDER BY title COLLATE by_name
            SQL, ['place' => $placeId], static fn (Row $row): Mention => new Mention(
            MentionKind::ClosedPlace,
            $row->text('title'),
            $row->text('id'),
        ));
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
                ? "SELECT title, id FROM place WHERE kind = 'front-page' AND CAST(:place AS uuid) IS NOT NULL AND "
                    .(PlaceKind::Category === $place->kind ? 'true' : 'false')
                : 'SELECT p.title, p.id FROM place p JOIN place c ON c.parent_id = p.id WHERE c.id = :place',
            default => null,
        };

        return null === $sql || !$place->light->isShownInLists()
            ? []
            : $this->mentions(<<<SQL
                SELECT title, id FROM ($sql) lists ORDER BY title COLLATE by_name
                SQL, ['place' => $place->id], static fn (Row $row): Mention => new Mention(
                MentionKind::List,
                $row->text('title'),
                $row->text('id'),
            ));
    }

    /**
     * Advertisements and the like, at its address of today, the one visitors know, or an old one that leads here.
     *
     * @return list<Mention>
     */
    private function outside(Place $place): array
    {
        return $this->mentions(<<<'SQL'
            SELECT o.name, o.kind, CASE WHEN o.address <> :address THEN o.address END AS via, o.id
            FROM outside_mention o
            WHERE o.address IN (
                SELECT CAST(:address AS text) UNION ALL SELECT address FROM live.place WHERE id = :place
                UNION ALL SELECT source FROM redirect WHERE goal_place_id = :place AND NOT is_prefix
            ) ORDER BY o.name
            SQL, ['place' => $place->id, 'address' => $place->address->path], static fn (Row $row): Mention => new OutsideMention(
            $row->text('name'),
            $row->text('id'),
            $row->text('kind'),
            $row->textOrNull('via'),
        ));
    }

    /**
     * @param array<string, mixed>   $parameters
     * @param \Closure(Row): Mention $made
     *
     * @return list<Mention>
     */
    private function mentions(string $sql, array $parameters, \Closure $made): array
    {
        return array_map(
            static fn (array $columns): Mention => $made(new Row($columns)),
            $this->connection->fetchAllAssociative("$sql LIMIT ".self::MOST, $parameters),
        );
    }
}
