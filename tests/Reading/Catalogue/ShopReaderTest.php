<?php

declare(strict_types=1);

namespace Lantern\Tests\Reading\Catalogue;

use Lantern\Core\Address\Address;
use Lantern\Core\Filter\Filters;
use Lantern\Core\Filter\ListingOrder;
use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Visitor;
use Lantern\Demo\DemoId;
use Lantern\Reading\Catalogue\Card;
use Lantern\Reading\Catalogue\Listing;
use Lantern\Reading\Catalogue\ShopReader;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Places\PlaceFilter;
use Lantern\Reading\Places\PlaceReader;
use Lantern\Reading\Places\PlaceTable;
use Lantern\Tests\ShopTestCase;

final class ShopReaderTest extends ShopTestCase
{
    /** The rule of the core and its twin in SQL have to agree, whatever the light, the dates and the audience. */
    public function testTheDatabaseShowsWhatTheCoreShows(): void
    {
        $now = new \DateTimeImmutable('2026-03-01T12:00:00Z');
        $n = 0;
        foreach (['open', 'quiet', 'closed'] as $light) {
            foreach (['everyone', 'guests', 'customers'] as $audience) {
                foreach ([null, '2026-02-01', '2026-03-01T12:00:00Z', '2026-03-02'] as $opens) {
                    foreach ([null, '2026-02-15', '2026-03-01T12:00:00Z', '2026-03-05'] as $closes) {
                        if (null !== $opens && null !== $closes && new \DateTimeImmutable($closes) <= new \DateTimeImmutable($opens)) {
                            continue;
                        }
                        $this->workbench()->insert(
                            'place',
                            [
                                'id' => DemoId::of('shown '.++$n),
                                'kind' => 'collection',
                                'title' => "Shown $n",
                                'address' => "/shown-$n",
                                'light' => $light,
                                'audience' => $audience,
                                'opens_on' => $opens,
                                'closes_on' => $closes,
                            ],
                        );
                    }
                }
            }
        }
        $this->workbench()->executeStatement("UPDATE place SET listed = false WHERE kind = 'collection' AND right(title, 1) = '3'");
        $places = $this->service(Copies::class)->workbench->places;
        $inSitemap = array_map(static fn (Address $address): string => $address->path, $places->inSitemap($now, 1, 10_000));
        self::assertCount($places->countInSitemap($now), $inSitemap);
        foreach ($this->workbench()->fetchAllAssociative('SELECT '.PlaceReader::COLUMNS.' FROM place') as $row) {
            $place = PlaceReader::fromRow($row);
            self::assertSame(
                $place->isInSitemapAt($now),
                \in_array($place->address->path, $inSitemap, true),
                "{$place->title} in the sitemap",
            );
        }
        self::assertSame(
            \array_slice($inSitemap, 20, 10),
            array_map(static fn (Address $address): string => $address->path, $places->inSitemap($now, 3, 10)),
            'and its parts follow one another',
        );
        foreach ([Visitor::guest($now), Visitor::customer($now)] as $visitor) {
            $expected = [];
            foreach ($this->workbench()->fetchAllAssociative(
                'SELECT '.PlaceReader::COLUMNS." FROM place WHERE kind = 'collection'",
            ) as $row) {
                $place = PlaceReader::fromRow($row);
                if ($place->isShownTo($visitor)) {
                    $expected[] = $place->title;
                }
            }
            $shown = array_map(
                static fn (Card $card): string => $card->place->title,
                $this->shop()->below(null, $visitor, PlaceKind::Collection),
            );
            sort($expected);
            sort($shown);
            self::assertSame($expected, $shown);
            self::assertGreaterThan(12, \count($shown));
            self::assertLessThan($n, \count($shown));
        }
    }

    public function testCollectionsFillThemselvesByTheirRules(): void
    {
        $listed = fn (string $key): array => $this->listed(Listing::ofCollection(
            DemoId::of("collections/$key"),
            $this->shop()->details(DemoId::of("collections/$key"))->rule,
        ));
        self::assertCount(12, $listed('first-binding'));
        self::assertSame([], $listed('winter-window'));
        foreach ($listed('reduced') as $card) {
            self::assertGreaterThan($card->product?->price, $card->product?->reducedFrom);
        }
        foreach ($listed('acid-free') as $card) {
            self::assertContains('acid-free', $card->product->tags ?? []);
        }
        self::assertCount(Listing::NEWEST, $listed('newest'));
    }

    public function testACategoryListsWhatStandsBelowIt(): void
    {
        $seen = array_keys($this->listed(Listing::ofCategory(DemoId::of('categories/papers'))));
        $all = $this->workbench()->fetchFirstColumn(<<<'SQL'
            SELECT s.product_id FROM standing s JOIN place c ON c.id = s.category_id WHERE c.address LIKE '/papers/%'
            SQL);
        sort($seen);
        sort($all);
        self::assertSame($all, $seen);
    }

    public function testAQuietCategoryLeavesItsProductsUntouched(): void
    {
        $before = \count($this->listed(Listing::ofCategory(DemoId::of('categories/kits'))));
        $this->workbench()->executeStatement("UPDATE place SET light = 'quiet' WHERE address = '/kits/calendar-kits'");
        self::assertCount($before, $this->listed(Listing::ofCategory(DemoId::of('categories/kits'))));
    }

    public function testThePlacesTableIsSearchedNarrowedAndPaged(): void
    {
        $table = $this->service(PlaceTable::class);
        self::assertCount(PlaceTable::PAGE + 1, $first = $table->page(new PlaceFilter(), null));
        $second = $table->page(new PlaceFilter(), $first[PlaceTable::PAGE - 1]->place->id);
        self::assertSame($first[PlaceTable::PAGE]->place->id, $second[0]->place->id);
        self::assertSame(
            ['Calendar kits'],
            array_map(
                static fn ($one): string => $one->place->title,
                $table->page(new PlaceFilter('kits calen category', PlaceKind::Category), null),
            ),
        );
        self::assertSame([], $table->page(new PlaceFilter('100%'), null));
        foreach ($table->page(new PlaceFilter(kind: PlaceKind::Policy, inNoMenu: true), null) as $one) {
            self::assertSame([], $one->menus);
            self::assertSame('Cookies', $one->place->title, 'the one that the footer forgot');
        }
        self::assertSame(['Footer, the shop'], $table->one(DemoId::of('pages/care-of-paper'))->menus);
        self::assertSame('Marbled papers', $table->find('marbl')[0]->place->title);
    }

    public function testALaterPageOfPlacesIsReadFromAnIndex(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO place (id, kind, title, address) SELECT gen_random_uuid(), 'page', 'Filler ' || n, '/filler/' || n
            FROM generate_series(1, 20000) n
            SQL);
        $this->workbench()->executeStatement('ANALYZE place');
        $plan = implode(
            "\n",
            array_map(
                static fn (mixed $line): string => \is_string($line) ? $line : '',
                $this->workbench()->fetchFirstColumn(
                    "EXPLAIN SELECT p.* FROM place p WHERE (p.title COLLATE by_name, p.id) > ('M', '019344a0-1c00-7000-8000-000000000000') "
                        .'ORDER BY p.title COLLATE by_name, p.id LIMIT 101',
                ),
            ),
        );
        self::assertStringContainsString('place_title', $plan);
        self::assertStringNotContainsString('Seq Scan', $plan);
    }

    private function shop(): ShopReader
    {
        return $this->service(Copies::class)->workbench->shop;
    }

    private function guest(): Visitor
    {
        return Visitor::guest(new \DateTimeImmutable());
    }

    /** @return array<string, Card> by id */
    private function listed(Listing $listing): array
    {
        $ids = $this->service(Copies::class)->workbench->listings->page(
            $listing,
            new Narrowing(),
            Filters::of([]),
            ListingOrder::Laid,
            100,
            null,
            100,
            $this->guest(),
        );

        return $this->shop()->cardsOf($ids, $this->guest());
    }
}
