<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Piece;

use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\Insert;
use Lantern\Core\Menu\Merge;
use Lantern\Core\Menu\Position;
use Lantern\Core\Menu\Rearrange;
use Lantern\Core\Menu\Relocate;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Button;
use Lantern\Core\Piece\Carousel;
use Lantern\Core\Piece\Column;
use Lantern\Core\Piece\Divider;
use Lantern\Core\Piece\File;
use Lantern\Core\Piece\Layout;
use Lantern\Core\Piece\Links;
use Lantern\Core\Piece\OneProduct;
use Lantern\Core\Piece\Panel;
use Lantern\Core\Piece\Picture;
use Lantern\Core\Piece\Products;
use Lantern\Core\Piece\ProductSource;
use Lantern\Core\Piece\Tab;
use Lantern\Core\Piece\Tabs;
use Lantern\Core\Piece\Text;
use Lantern\Core\Piece\Title;
use Lantern\Core\Refused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class LayoutTest extends TestCase
{
    /** @param \Closure(): mixed $make */
    #[DataProvider('wrong')]
    public function testWhatCannotStandThereIsRefusedWithWhatToDo(\Closure $make, string $says): void
    {
        $this->expectException(Refused::class);
        $this->expectExceptionMessage($says);
        $make();
    }

    /** @return iterable<string, array{\Closure(): mixed, string}> */
    public static function wrong(): iterable
    {
        $text = Layouts::of('text', new Text());
        $tabs = static fn (Entry ...$within): Entry => Layouts::of(
            'tabs',
            new Tabs(),
            children: [Layouts::of('first', new Tab(), children: [Layouts::band('inner', array_values($within))])],
        );
        yield 'tabs within tabs' => [
            static fn () => Layouts::page($tabs(Layouts::of('more', new Tabs()))),
            'Tabs do not stand within tabs',
        ];
        yield 'a piece beside bands' => [static fn () => (new Tree([], Layout::page()))->with([$text]), 'words stands in a column'];
        yield 'a band in a column' => [static fn () => Layouts::page(Layouts::band('other')), 'Bands stand in the page'];
        yield 'a column in a column' => [static fn () => Layouts::page(Layouts::of('c', new Column())), 'Columns stand in a band'];
        yield 'a piece in a band' => [
            static fn () => (new Tree([], Layout::page()))->with([Layouts::of('b', new Band(), children: [$text])]),
            'Pieces stand in a column',
        ];
        yield 'a tab in a column' => [static fn () => Layouts::page(Layouts::of('t', new Tab())), 'A tab stands in tabs'];
        yield 'a link in a column' => [static fn () => Layouts::page(Layouts::link('l', 'papers')), 'Put it into a piece of links'];
        yield 'a piece below a link' => [
            static fn () => Layouts::page(Layouts::of('links', new Links(), children: [new Entry('l', new Heading(), 'l', [$text])])),
            'Below a link stand links',
        ];
        yield 'links of three levels' => [
            static fn () => Layouts::page(Layouts::of(
                'links',
                new Links(),
                children: [new Entry('l', new Heading(), 'l', [new Entry('m', new Heading(), 'm', [Layouts::link('n', 'papers')])])],
            )),
            'at most 2 levels',
        ];
        yield 'tabs in a carousel' => [
            static fn () => Layouts::page(Layouts::of('carousel', new Carousel(), children: [$tabs()])),
            'does not stand in a carousel',
        ];
        yield 'a divider in a carousel' => [
            static fn () => Layouts::page(Layouts::of('carousel', new Carousel(), children: [Layouts::of('d', new Divider())])),
            'does not stand in a carousel',
        ];
        yield 'seven columns' => [static fn () => Layouts::columns([], [], [], [], [], [], []), 'at most 6 columns'];
        yield 'nine tabs' => [
            static fn () => Layouts::page(Layouts::of(
                'tabs',
                new Tabs(),
                children: array_map(static fn (int $n): Entry => Layouts::of("t$n", new Tab()), range(1, 9)),
            )),
            'at most 8 tabs',
        ];
        yield '500 pieces' => [
            static fn () => Layouts::page(...array_map(static fn (int $n): Entry => Layouts::of("p$n", new Text()), range(1, 500))),
            'at most 500',
        ];
        yield 'two panels' => [
            static fn () => (new Tree([], Layout::panel()))->with([Layouts::of('one', new Panel()), Layouts::of('two', new Panel())]),
            'A wide panel is one',
        ];
        yield 'a panel in a page' => [
            static fn () => (new Tree([], Layout::page()))->with([Layouts::of('one', new Panel())]),
            'A page has bands',
        ];
        yield 'a piece in a plain menu' => [
            static fn () => (new Tree())->inserted($text, new Position(null, 0)),
            'Only links stand in a menu',
        ];
        yield 'a piece into a plain menu, by rearranging' => [
            static fn () => (new Rearrange(['text' => $text], [], ['' => ['text']]))->apply(new Tree()),
            'Only links stand in a menu',
        ];
        yield 'a product piece without a product' => [
            static fn () => Layouts::page(Layouts::of('one', new OneProduct())),
            'Choose the product',
        ];
        yield 'a file piece without a file' => [static fn () => Layouts::page(Layouts::of('one', new File())), 'Choose the file'];
        yield 'a button without words' => [static fn () => new Entry('b', new Heading(), content: new Button()), 'Type a label'];
        yield 'a heading of level 1' => [static fn () => new Title(1), 'level 1 is the title of the page'];
        yield 'a share of nothing' => [static fn () => new Column(0), 'from 1 to 12 parts'];
        yield 'a picture of nothing' => [static fn () => new Picture(share: 0), 'from 10 to 100'];
        yield 'no products' => [static fn () => new Products(most: 0), 'from 1 to 24 products'];
        yield 'twenty-five products' => [static fn () => new Products(most: 25), 'from 1 to 24 products'];
        yield 'a tag that is none' => [static fn () => new Products(ProductSource::Tag), 'by which tag'];
        yield 'room below nothing' => [static fn () => new Band(room: -1), 'from 0 to 160 pixels'];
        yield 'a gap beyond the page' => [static fn () => new Band(gap: 161), 'from 0 to 160 pixels'];
    }

    /** Laws of every move on random pages: what comes of it is in order, and its inverse leads back exactly. */
    public function testMovesKeepPagesInOrderAndHaveInverses(): void
    {
        $made = 0;
        for ($seed = 0; $seed < 400; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $tree = Layouts::random($random, 25);
            for ($n = 0; $n < 8; ++$n) {
                $move = Layouts::anyMove($tree, $random, "new$seed-$n");
                try {
                    $after = $move->apply($tree);
                } catch (Refused) {
                    continue;
                }
                ++$made;
                Layout::page()->check($after->entries);
                self::assertTrue($move->inverse($tree)->apply($after)->equals($tree), "seed $seed, move $n");
                $tree = $after;
            }
        }
        self::assertGreaterThan(800, $made);
    }

    /** Laws of merging: in order, both people's pieces stand, and who merges with nothing has what was there. */
    public function testTwoPeopleOnOnePageAreMergedIntoAPageInOrder(): void
    {
        $refusals = 0;
        for ($seed = 0; $seed < 400; ++$seed) {
            $random = new Randomizer(new Mt19937(1000 + $seed));
            $base = Layouts::random($random, 15);
            $theirs = Layouts::mixed($base, $random, 'theirs', 3);
            $mine = Layouts::mixed($base, $random, 'mine', 3);
            try {
                $merged = Merge::of($base, $theirs, $mine);
            } catch (Refused $refused) {
                self::assertStringContainsString('Somebody else has changed this meanwhile', $refused->getMessage());
                ++$refusals;
                continue;
            }
            Layout::page()->check($merged->tree->entries);
            self::assertTrue(Merge::of($base, $theirs, $base)->tree->equals($theirs), "seed $seed");
            self::assertTrue(Merge::of($base, $base, $mine)->tree->equals($mine), "seed $seed");
            $ids = Layouts::ids($merged->tree);
            self::assertSame($ids, array_values(array_unique($ids)));
            $new = array_diff(Layouts::ids($theirs), Layouts::ids($base));
            self::assertSame([], array_diff($new, $ids), "seed $seed: what they made is gone");
        }
        self::assertLessThan(40, $refusals);
    }

    public function testTwoPeopleMoveOneBand(): void
    {
        $base = (new Tree([], Layout::page()))->with([Layouts::band('a'), Layouts::band('b'), Layouts::band('c')]);
        $theirs = (new Relocate('c', new Position(null, 0)))->apply($base);
        $mine = (new Relocate('c', new Position(null, 1)))->apply($base);
        $merged = Merge::of($base, $theirs, $mine);
        self::assertSame(['c', 'a', 'b'], array_column($merged->tree->entries, 'id'));
        self::assertCount(1, $merged->conflicts);
        self::assertSame('c', $merged->conflicts[0]->entryId);
    }

    public function testWhatOnlyTogetherCannotBeIsRefusedWithTheReason(): void
    {
        $five = Layouts::columns([], [], [], [], []);
        $theirs = (new Insert(Layouts::of('t', new Column()), new Position('band', 5)))->apply($five);
        $mine = (new Insert(Layouts::of('m', new Column()), new Position('band', 5)))->apply($five);
        $this->expectException(Refused::class);
        $this->expectExceptionMessage(
            'Somebody else has changed this meanwhile, and both together cannot be. A band has at most 6 columns.',
        );
        Merge::of($five, $theirs, $mine);
    }
}
