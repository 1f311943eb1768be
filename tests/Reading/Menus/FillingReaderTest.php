<?php

declare(strict_types=1);

namespace Lantern\Tests\Reading\Menus;

use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\FillingOrder;
use Lantern\Core\Menu\FillingSource;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\SelfFilling;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Demo\DemoId;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Places\PlaceTable;
use Lantern\Tests\ShopTestCase;

final class FillingReaderTest extends ShopTestCase
{
    public function testEachSourceGivesWhatItsPageShowsInItsOrder(): void
    {
        $of = static fn (string $key): string => DemoId::of($key);
        $found = $this->candidates(
            new SelfFilling(FillingSource::Categories, $of('categories/papers')),
            new SelfFilling(FillingSource::Categories, $of('categories/papers'), depth: 2),
            new SelfFilling(FillingSource::Categories, order: FillingOrder::Name),
            new SelfFilling(FillingSource::Pages, $of('groups/about')),
            new SelfFilling(FillingSource::Products, $of('categories/marbled'), order: FillingOrder::Price),
            new SelfFilling(FillingSource::Products, $of('collections/first-binding')),
            new SelfFilling(FillingSource::Products, $of('collections/acid-free'), order: FillingOrder::Name),
            new SelfFilling(FillingSource::Newest, kind: PlaceKind::Article, most: 3),
            new SelfFilling(FillingSource::Newest, kind: PlaceKind::Product),
        );
        self::assertSame(['/papers/marbled', '/papers/block', '/papers/paste', '/papers/plain'], $this->addresses($found[0]));
        self::assertContains('/papers/marbled/combed', $this->addresses($found[1]));
        self::assertSame(['/boards-and-cloth', '/kits', '/papers', '/threads-and-cords', '/tools'], $this->addresses($found[2]));
        self::assertNotContains('/about-us/autumn-workshop', $this->addresses($found[3]), 'what is closed is no candidate');
        $prices = array_map(fn (Place $place): int => (int) $this->value('SELECT price FROM product WHERE id = ?', $place->id), $found[4]);
        $sorted = $prices;
        sort($sorted);
        self::assertSame($sorted, $prices);
        self::assertGreaterThan(10, \count($prices), 'with those of the categories below');
        self::assertSame((string) $this->value(<<<'SQL'
            SELECT product_id FROM pick WHERE collection_id = ? ORDER BY position LIMIT 1
            SQL, $of('collections/first-binding')), $found[5][0]->id);
        self::assertNotSame([], $found[6]);
        self::assertSame((string) $this->value(<<<'SQL'
            SELECT id FROM place WHERE kind = 'article' AND light = 'open' ORDER BY published_on DESC LIMIT 1
            SQL), $found[7][0]->id);
        self::assertSame((string) $this->value('SELECT id FROM product ORDER BY new_since DESC, id LIMIT 1'), $found[8][0]->id);
    }

    public function testTheOneFieldFindsWordsInAnyOrderAndWithASlip(): void
    {
        $table = $this->service(PlaceTable::class);
        $first = static fn (string $words): ?string => ($table->find($words)[0] ?? null)?->place->address->path;
        self::assertSame('/papers', $first('papers'), 'the very title comes first');
        self::assertSame('/papers/marbled', $first('papers marbled'));
        self::assertSame('/papers/marbled', $first('marbeld'));
        self::assertSame('/papers/block', $first('block prinetd'));
        self::assertNull($first('xqzzvk'));
        $latest = $table->find('');
        self::assertCount(12, $latest);
        self::assertSame([], $latest[0]->menus, 'what no menu leads to comes first');
    }

    /** @return list<list<Place>> */
    private function candidates(SelfFilling ...$fillings): array
    {
        $entries = [];
        foreach (array_values($fillings) as $n => $filling) {
            $entries[] = new Entry("e$n", new Heading(), "e$n", filling: $filling);
        }

        return array_values($this->service(Copies::class)->workbench->fillings->candidates([new Tree($entries)], new \DateTimeImmutable()));
    }

    /**
     * @param list<Place> $places
     *
     * @return list<string>
     */
    private function addresses(array $places): array
    {
        return array_map(static fn (Place $place): string => $place->address->path, $places);
    }
}
