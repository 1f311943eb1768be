<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Menu;

use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Spot;
use Lantern\Core\Menu\Tree;
use PHPUnit\Framework\TestCase;

final class SpotTest extends TestCase
{
    public function testEverySpotTakesAnotherEntry(): void
    {
        $tree = new Tree([
            new Entry('a', new Heading(), 'Papers', [new Entry('b', new Heading(), 'Marbled', [new Entry('c', new Heading(), 'Combed')])]),
            new Entry('d', new PlaceTarget('place'), null),
        ]);
        $spots = Spot::in('Header', $tree, ['place' => 'Threads']);
        self::assertSame(
            ['Header', 'Header › Papers', 'Header › Papers › Marbled', 'Header › Threads'],
            array_map(static fn (Spot $one): string => $one->words(), $spots),
        );
        self::assertSame([2, 1, 1, 0], array_map(static fn (Spot $one): int => $one->at->index, $spots));
        foreach ($spots as $spot) {
            self::assertSame($tree->size() + 1, $tree->inserted(new Entry('new', new Heading(), 'New'), $spot->at)->size());
        }
    }

    public function testLettersFindASpotByItsTrail(): void
    {
        $spots = Spot::in('Header', new Tree([new Entry('a', new Heading(), 'Papers', [new Entry('b', new Heading(), 'Marbled')])]), []);
        $found = static fn (string $words): array => array_map(
            static fn (Spot $one): string => $one->words(),
            array_values(array_filter($spots, static fn (Spot $one): bool => $one->has($words))),
        );
        self::assertSame(['Header › Papers › Marbled'], $found('marb'));
        self::assertSame(['Header › Papers › Marbled'], $found('head > MARB'));
        self::assertSame(['Header › Papers'], $found('header papers'), 'the last word names the spot, not what it stands below');
        self::assertCount(3, $found(''));
        self::assertSame([], $found('footer'));
    }
}
