<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Menu;

use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\FillingSource;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\SelfFilling;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Menu\WithoutPlace;
use PHPUnit\Framework\TestCase;

final class WithoutPlaceTest extends TestCase
{
    public function testEntriesGoAndParentsBecomeHeadings(): void
    {
        $before = new Tree([
            new Entry(
                'a',
                new PlaceTarget('gone'),
                null,
                [new Entry('b', new PlaceTarget('other')), new Entry('c', new PlaceTarget('gone'))],
            ),
            new Entry('d', new PlaceTarget('gone'), 'Alone'),
            new Entry('e', new PlaceTarget('other'), 'Kept', filling: new SelfFilling(FillingSource::Categories, 'gone')),
        ]);
        $move = (new WithoutPlace('gone', 'Gifts'))->move($before);
        self::assertNotNull($move);
        $after = $move->apply($before);
        self::assertEquals(new Tree([
            new Entry('a', new Heading(), 'Gifts', [new Entry('b', new PlaceTarget('other'))]),
            new Entry('e', new PlaceTarget('other'), 'Kept'),
        ]), $after);
        self::assertEquals($before, $move->inverse($before)->apply($after), 'it can be taken back');
        self::assertNull((new WithoutPlace('gone', 'Gifts'))->move($after), 'nothing leads there any more');
    }

    public function testAParentWhoseChildrenAllGoGoesToo(): void
    {
        $before = new Tree([new Entry('a', new PlaceTarget('gone'), null, [new Entry('b', new PlaceTarget('gone'))])]);
        self::assertEquals(new Tree(), (new WithoutPlace('gone', 'Gifts'))->move($before)?->apply($before));
    }
}
