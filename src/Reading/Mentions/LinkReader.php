<?php

declare(strict_types=1);

namespace Lantern\Reading\Mentions;

use Doctrine\DBAL\Connection;
use Lantern\Core\Impact\LinkLookup;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Release\CopyName;
use Lantern\Core\Visitor;
use Lantern\Reading\Catalogue\ShopReader;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Copies\Copy;
use Lantern\Reading\Frame\Frame;
use Lantern\Reading\Places\PlaceConditions;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\Row;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Contracts\Cache\CacheInterface;
use Symfony\Contracts\Cache\ItemInterface;

/**
 * The links that a guest can follow in one copy, the workbench where nothing else is said: by the frame, by lists, by texts, by
 * breadcrumbs.
 */
final readonly class LinkReader implements LinkLookup
{
    /** Where the texts of live lead stands in what was written down when they were looked at. */
    private const TEXTS_OF_LIVE = <<<'SQL'
        (SELECT CAST(substr(x.subject, 7) AS uuid) AS source_id, goal.place_id, CAST(NULL AS text) AS address, 'link' AS form
        FROM examined x, unnest(x.leads) AS goal (place_id) WHERE x.copy = 'live' AND x.subject LIKE 'words:%')
        SQL;

    public function __construct(
        private Copies $copies,
        private Frame $frame,
        private ClockInterface $clock,
        #[Autowire(service: 'cache.resolved')] private CacheInterface $cache,
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private ?Copy $copy = null,
    ) {
    }

    /** The links of a copy, read by a connection that sees it. */
    public function in(Copy $copy, Connection $connection): self
    {
        return new self($this->copies, $this->frame, $this->clock, $this->cache, $connection, $copy);
    }

    private function copy(): Copy
    {
        return $this->copy ?? $this->copies->workbench;
    }

    private function texts(): string
    {
        return CopyName::Live === $this->copy()->name ? self::TEXTS_OF_LIVE : 'shown_text_mention';
    }

    /** It is kept for as long as nobody edits anything and no date comes: a table of places asks for it with every page. */
    public function fromTheFront(): array
    {
        $guest = $this->guest();
        $workbench = $this->copy();

        /** @var array<string, true> */
        return $this->cache->get("front.{$workbench->frameVersion()}", function (ItemInterface $item) use ($workbench, $guest): array {
            $item->expiresAt($workbench->keptUntil($guest->moment));

            return $this->front($workbench, $guest);
        });
    }

    /** @return array<string, true> */
    private function front(Copy $workbench, Visitor $guest): array
    {
        $ids = [];
        foreach ($this->frame->kept($workbench, $guest) as $hung) {
            foreach ($hung->menu->byId() as $entry) {
                if (null !== $entry->placeId) {
                    $ids[$entry->placeId] = true;
                }
            }
        }
        $front = $workbench->places->fixed(PlaceKind::FrontPage);
        $shop = $workbench->shop;
        $laidOut = null === $front ? null : $workbench->layouts->ofPage($front->id, $guest);
        foreach ([...array_values($this->frame->keptPanels($workbench, $guest)), ...(null === $laidOut ? [] : [$laidOut])] as $layout) {
            foreach ([...$layout->layout->placeIds(), ...$layout->inWords()] as $id) {
                $ids[$id] = true;
            }
        }
        foreach (null !== $laidOut ? [] : [
            ...$shop->below(null, $guest, PlaceKind::Category),
            ...$shop->newest($guest, ShopReader::NEWEST_IN_FRONT),
            ...$shop->articles($guest, ShopReader::ARTICLES_IN_FRONT),
        ] as $card) {
            $ids[$card->place->id] = true;
        }
        $search = $workbench->places->fixed(PlaceKind::Search);
        foreach ([
            null === $search ? [] : [$search->id],
            null === $front || null !== $laidOut ? [] : $shop->words($front->id)->placeIds(),
        ] as $more) {
            foreach ($more as $id) {
                $ids[$id] = true;
            }
        }

        return $ids;
    }

    public function leadingTo(array $placeIds, array $front): array
    {
        $shown = str_replace('p.', 't.', PlaceConditions::SHOWN);
        $texts = $this->texts();
        // What a list shows has to be open; where a text or a breadcrumb leads only has to be there.
        $rows = $this->connection->fetchAllAssociative(<<<SQL
            WITH target AS (SELECT * FROM place WHERE id = ANY (CAST(:ids AS uuid[]))), led AS (
                SELECT t.id AS target, t.parent_id AS source FROM target t WHERE t.parent_id IS NOT NULL AND $shown
                UNION SELECT t.id, c.category_id FROM target t JOIN standing c ON c.product_id = t.id WHERE $shown
                UNION SELECT t.id, k.collection_id FROM target t JOIN pick k ON k.product_id = t.id WHERE $shown
                UNION SELECT t.id, c.id FROM target t JOIN product f ON f.id = t.id JOIN place c ON c.kind = 'collection'
                    AND (c.rule->>'by' = 'tag' AND c.rule->>'tag' = ANY(f.tags) OR c.rule->>'by' = 'reduced' AND f.reduced_from IS NOT NULL
                    OR c.rule->>'by' = 'featured' AND f.featured) WHERE $shown
                UNION SELECT t.id, f.id FROM target t
                    JOIN place f ON f.kind = CASE WHEN t.kind = 'collection' THEN 'all-collections' ELSE 'all-products' END
                    WHERE (t.kind IN ('product', 'collection') OR t.kind = 'category' AND t.parent_id IS NULL) AND $shown
                UNION SELECT t.id, m.source_id FROM target t JOIN $texts m ON m.place_id = t.id WHERE m.form NOT IN ('picture', 'video')
                    AND t.light <> 'closed'
                UNION SELECT t.id, m.source_id FROM target t JOIN $texts m ON m.address = t.address
                    WHERE m.form NOT IN ('picture', 'video') AND t.light <> 'closed'
                UNION SELECT t.id, e.on_page FROM target t JOIN entry e ON e.place_id = t.id WHERE e.on_page IS NOT NULL AND e.enabled
                    AND t.light <> 'closed'
                UNION SELECT t.id, c.id FROM target t JOIN place c ON c.parent_id = t.id AND c.kind = 'category'
                    WHERE t.kind = 'category' AND t.light <> 'closed'
            )
            SELECT target, source FROM led WHERE source <> target
            SQL, ['ids' => PgArray::of($placeIds)] + $this->visitor());
        $sources = array_fill_keys($placeIds, []);
        foreach ($rows as $columns) {
            $row = new Row($columns);
            $sources[$row->text('target')][] = $row->text('source');
        }
        foreach ($this->below($placeIds, $front) as $id => $children) {
            $sources[$id] = [...$sources[$id], ...$children];
        }
        $open = $this->open(array_merge(...array_values($sources)));

        return array_map(
            static fn (array $some): array => array_values(array_filter(
                array_unique($some),
                static fn (string $id): bool => isset($open[$id]),
            )),
            $sources,
        );
    }

    /**
     * What stands in groups, and leads up to them: of that, only what something else leads to, too, can bring anybody there.
     * A group may have very many, so what was found is kept for as long as `fromTheFront`.
     *
     * @param list<string>        $placeIds
     * @param array<string, true> $front
     *
     * @return array<string, list<string>> for those that have such
     */
    private function below(array $placeIds, array $front): array
    {
        $groups = array_values(array_filter($this->connection->fetchFirstColumn(<<<'SQL'
            SELECT id FROM place WHERE id = ANY (CAST(:ids AS uuid[])) AND light <> 'closed' AND kind IN ('page-group', 'journal')
            ORDER BY id
            SQL, ['ids' => PgArray::of($placeIds)]), \is_string(...)));
        $workbench = $this->copy();

        return [] === $groups ? [] : $this->cache->get("below.{$workbench->frameVersion()}.".hash(
            'xxh128',
            implode('', $groups),
        ), function (ItemInterface $item) use ($workbench, $groups, $front): array {
            $texts = $this->texts();
            $item->expiresAt($workbench->keptUntil($this->clock->now()));
            $below = [];
            foreach ($this->connection->fetchAllAssociative(<<<SQL
                SELECT c.parent_id, c.id FROM place c WHERE c.parent_id = ANY (CAST(:groups AS uuid[])) AND (
                    c.id = ANY (CAST(:front AS uuid[])) OR c.id IN (SELECT m.place_id FROM $texts m WHERE m.place_id IS NOT NULL)
                    OR c.address IN (SELECT m.address FROM $texts m WHERE m.address IS NOT NULL)
                )
                SQL, ['groups' => PgArray::of($groups), 'front' => PgArray::of(array_map(strval(...), array_keys($front)))]) as $columns) {
                $row = new Row($columns);
                $below[$row->text('parent_id')][] = $row->text('id');
            }

            return $below;
        });
    }

    /**
     * @param list<string> $placeIds
     *
     * @return array<string, true> those that open for a guest
     */
    private function open(array $placeIds): array
    {
        $ids = $this->connection->fetchFirstColumn(
            'SELECT p.id FROM place p WHERE p.id = ANY (CAST(:ids AS uuid[])) AND '.PlaceConditions::OPENS,
            ['ids' => PgArray::of(array_values(array_unique($placeIds)))] + $this->visitor(),
        );

        return array_fill_keys(array_filter($ids, \is_string(...)), true);
    }

    /** @return array{moment: string, audience: string} */
    private function visitor(): array
    {
        return ['moment' => $this->clock->now()->format(\DATE_ATOM), 'audience' => 'guests'];
    }

    private function guest(): Visitor
    {
        return Visitor::guest($this->clock->now());
    }
}
