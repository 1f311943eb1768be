<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Lantern\Core\Impact\LinkLookup;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Visitor;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The links that a guest can follow on the workbench: by the frame, by lists, by texts, by breadcrumbs. */
final readonly class LinkReader implements LinkLookup
{
    public function __construct(
        private Copies $copies,
        private Frame $frame,
        private \Psr\Clock\ClockInterface $clock,
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
    ) {
    }

    public function fromTheFront(): array
    {
        $guest = $this->guest();
        $workbench = $this->copies->workbench;
        $ids = [];
        foreach ($this->frame->of($workbench, $guest) as $hung) {
            foreach ($hung->menu->byId() as $entry) {
                if (null !== $entry->placeId) {
                    $ids[$entry->placeId] = true;
                }
            }
        }
        $front = $workbench->places->fixed(PlaceKind::FrontPage);
        $shop = $workbench->shop;
        foreach ([...$shop->below(null, $guest, PlaceKind::Category), ...$shop->newest($guest, ShopReader::NEWEST_IN_FRONT), ...$shop->articles($guest, ShopReader::ARTICLES_IN_FRONT)] as $card) {
            $ids[$card->place->id] = true;
        }
        $search = $workbench->places->fixed(PlaceKind::Search);
        foreach ([null === $search ? [] : [$search->id], null === $front ? [] : $shop->words($front->id)->placeIds()] as $more) {
            foreach ($more as $id) {
                $ids[$id] = true;
            }
        }

        return $ids;
    }

    public function leadingTo(array $placeIds): array
    {
        $shown = str_replace('p.', 't.', ShopReader::SHOWN);
        $opens = "s.light <> 'closed' AND (s.opens_on IS NULL OR s.opens_on <= :moment) AND (s.closes_on IS NULL OR s.closes_on > :moment) AND s.audience IN ('everyone', :audience)";
        // What a list shows has to be open; where a text or a breadcrumb leads only has to be there.
        $rows = $this->connection->fetchAllAssociative(<<<SQL
            WITH target AS (SELECT * FROM place WHERE id IN (:ids)), led AS (
                SELECT t.id AS target, t.parent_id AS source FROM target t WHERE t.parent_id IS NOT NULL AND $shown
                UNION SELECT t.id, c.category_id FROM target t JOIN standing c ON c.product_id = t.id WHERE $shown
                UNION SELECT t.id, k.collection_id FROM target t JOIN pick k ON k.product_id = t.id WHERE $shown
                UNION SELECT t.id, c.id FROM target t JOIN product f ON f.id = t.id JOIN place c ON c.kind = 'collection' AND (c.rule->>'by' = 'tag' AND c.rule->>'tag' = ANY(f.tags) OR c.rule->>'by' = 'reduced' AND f.reduced_from IS NOT NULL OR c.rule->>'by' = 'featured' AND f.featured) WHERE $shown
                UNION SELECT t.id, f.id FROM target t JOIN place f ON f.kind = CASE WHEN t.kind = 'collection' THEN 'all-collections' ELSE 'all-products' END WHERE (t.kind IN ('product', 'collection') OR t.kind = 'category' AND t.parent_id IS NULL) AND $shown
                UNION SELECT t.id, m.source_id FROM target t JOIN text_mention m ON m.place_id = t.id OR m.address = t.address WHERE m.form <> 'picture' AND t.light <> 'closed'
                UNION SELECT t.id, c.id FROM target t JOIN place c ON c.parent_id = t.id WHERE t.light <> 'closed'
            )
            SELECT l.target, l.source FROM led l JOIN place s ON s.id = l.source WHERE l.source <> l.target AND $opens
            SQL, ['ids' => $placeIds, 'moment' => $this->clock->now()->format(\DATE_ATOM), 'audience' => 'guests'], ['ids' => ArrayParameterType::STRING]);
        $sources = array_fill_keys($placeIds, []);
        foreach ($rows as $columns) {
            $row = new Row($columns);
            $sources[$row->text('target')][] = $row->text('source');
        }

        return $sources;
    }

    private function guest(): Visitor
    {
        return Visitor::guest($this->clock->now());
    }
}
