<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Piece;

use Lantern\Core\Address\Address;
use Lantern\Core\Looks\Colour;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\LeftOut;
use Lantern\Core\Menu\OutsideTarget;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Reason;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Button;
use Lantern\Core\Piece\Cards;
use Lantern\Core\Piece\Carousel;
use Lantern\Core\Piece\Column;
use Lantern\Core\Piece\Divider;
use Lantern\Core\Piece\File;
use Lantern\Core\Piece\Ground;
use Lantern\Core\Piece\LayoutResolver;
use Lantern\Core\Piece\Links;
use Lantern\Core\Piece\OneProduct;
use Lantern\Core\Piece\Picture;
use Lantern\Core\Piece\Piece;
use Lantern\Core\Piece\Products;
use Lantern\Core\Piece\ProductSource;
use Lantern\Core\Piece\ResolvedLayout;
use Lantern\Core\Piece\ResolvedPiece;
use Lantern\Core\Piece\Supplies;
use Lantern\Core\Piece\Tab;
use Lantern\Core\Piece\Tabs;
use Lantern\Core\Piece\Text;
use Lantern\Core\Piece\Title;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Opening;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Visitor;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class LayoutResolverTest extends TestCase
{
    private const NOW = '2026-12-01T10:00:00Z';

    /** Every piece is shown where it has something to show, and left out with the reason where it has not. */
    #[DataProvider('pieces')]
    public function testAPieceIsLeftOutWhereItHasNothingToShow(Entry $piece, Supplies $with, Supplies $without, Reason $reason): void
    {
        $tree = Layouts::page(Layouts::of('first', new Text('<p>words</p>')), $piece, Layouts::of('last', new Text('<p>words</p>')));
        $shown = self::resolve($tree, $with);
        self::assertContains($piece->id, self::ids($shown));
        self::assertSame([], $shown->leftOut);
        $empty = self::resolve($tree, $without);
        self::assertNotContains($piece->id, self::ids($empty));
        self::assertContains([$piece->id, $reason], self::leftOut($empty));
        // What stands beside it is untouched.
        self::assertContains('first', self::ids($empty));
        self::assertContains('last', self::ids($empty));
    }

    /** @return iterable<string, array{Entry, Supplies, Supplies, Reason}> */
    public static function pieces(): iterable
    {
        $none = new Supplies();
        $places = static fn (Place ...$places): Supplies => new Supplies(array_column($places, null, 'id'));
        yield 'a picture' => [
            Layouts::of('p', new Picture('spool.svg', 'a spool')),
            new Supplies(pictures: ['spool.svg' => true]),
            $none,
            Reason::PictureGone,
        ];
        yield 'a button' => [
            Layouts::of('p', new Button(), new PlaceTarget('papers')),
            $places(self::place('papers')),
            $places(self::place('papers', Light::Closed)),
            Reason::PlaceClosed,
        ];
        yield 'a button to what is gone' => [
            Layouts::of('p', new Button(), new PlaceTarget('papers')),
            $places(self::place('papers')),
            $none,
            Reason::PlaceGone,
        ];
        yield 'links' => [
            Layouts::of('p', new Links(), children: [Layouts::link('l', 'papers')]),
            $places(self::place('papers')),
            $places(self::place('papers', Light::Quiet)),
            Reason::NothingToShow,
        ];
        $products = Layouts::of('p', new Products(), new PlaceTarget('papers'));
        yield 'products' => [
            $products,
            new Supplies(['papers' => self::place('papers')], products: ['p' => ['awl']]),
            $places(self::place('papers')),
            Reason::NothingToShow,
        ];
        yield 'products of a quiet category' => [
            $products,
            new Supplies(['papers' => self::place('papers')], products: ['p' => ['awl']]),
            new Supplies(['papers' => self::place('papers', Light::Quiet)], products: ['p' => ['awl']]),
            Reason::PlaceQuiet,
        ];
        yield 'products of a removed collection' => [
            $products,
            new Supplies(['papers' => self::place('papers')], products: ['p' => ['awl']]),
            new Supplies(products: ['p' => ['awl']]),
            Reason::PlaceGone,
        ];
        yield 'products by tag' => [
            Layouts::of('p', new Products(ProductSource::Tag, 'gift')),
            new Supplies(products: ['p' => ['awl']]),
            $none,
            Reason::NothingToShow,
        ];
        yield 'products by hand' => [
            Layouts::of('p', new Products(ProductSource::Hand), children: [Layouts::link('l', 'awl')]),
            $places(self::place('awl', kind: PlaceKind::Product)),
            $places(self::place('awl', Light::Closed, PlaceKind::Product)),
            Reason::NothingToShow,
        ];
        yield 'one product' => [
            Layouts::of('p', new OneProduct(), new PlaceTarget('awl')),
            $places(self::place('awl', kind: PlaceKind::Product)),
            $places(self::place('awl', Light::Closed, PlaceKind::Product)),
            Reason::PlaceClosed,
        ];
        yield 'one product that is none' => [
            Layouts::of('p', new OneProduct(), new PlaceTarget('awl')),
            $places(self::place('awl', kind: PlaceKind::Product)),
            $places(self::place('awl')),
            Reason::NothingToShow,
        ];
        yield 'cards' => [
            Layouts::of('p', new Cards(), children: [Layouts::link('l', 'papers')]),
            $places(self::place('papers')),
            $none,
            Reason::NothingToShow,
        ];
        yield 'cards of what stands below' => [
            Layouts::of('p', new Cards(true), new PlaceTarget('papers')),
            new Supplies(['papers' => self::place('papers')], children: ['p' => [self::place('marbled')]]),
            new Supplies(['papers' => self::place('papers')], children: ['p' => [self::place('marbled', Light::Quiet)]]),
            Reason::NothingToShow,
        ];
        yield 'a file' => [
            Layouts::of('p', new File(), new PlaceTarget('chart')),
            $places(self::place('chart', kind: PlaceKind::File)),
            $places(self::place('chart', Light::Closed, PlaceKind::File)),
            Reason::PlaceClosed,
        ];
        $picture = static fn (string $id): Entry => Layouts::of($id, new Picture("$id.svg", 'a spool'));
        $tab = static fn (string $id): Entry => Layouts::of(
            $id,
            new Tab(),
            children: [Layouts::band("$id-band", [$picture("$id-picture")])],
        );
        yield 'tabs' => [
            Layouts::of('p', new Tabs(), children: [$tab('a'), $tab('b')]),
            new Supplies(pictures: ['a-picture.svg' => true, 'b-picture.svg' => true]),
            $none,
            Reason::NothingToShow,
        ];
        yield 'a carousel' => [
            Layouts::of('p', new Carousel(), children: [$picture('a'), $picture('b')]),
            new Supplies(pictures: ['a.svg' => true, 'b.svg' => true]),
            $none,
            Reason::NothingToShow,
        ];
    }

    public function testHeadingsWithNothingAfterThemAndDividersAtAnEdgeFallAway(): void
    {
        $column = static fn (string $html): array => [
            Layouts::of('d1', new Divider()),
            Layouts::of('h1', new Title()),
            Layouts::of('words', new Text('<p>words</p>')),
            Layouts::of('d2', new Divider()),
            Layouts::of('h2', new Title(3)),
            Layouts::of('gone', new Text($html)),
            Layouts::of('d3', new Divider()),
        ];
        $layout = self::resolve(Layouts::page(...$column('<p> </p>')), new Supplies());
        self::assertSame(['h1', 'words'], self::ids($layout, 'band-0'));
        self::assertEqualsCanonicalizing(
            [
                ['gone', Reason::NothingToShow],
                ['d1', Reason::AtTheEdge],
                ['d3', Reason::AtTheEdge],
                ['h2', Reason::NothingAfter],
                ['d2', Reason::AtTheEdge],
            ],
            self::leftOut($layout),
        );
        // With what stood between them they stand.
        self::assertSame(
            ['h1', 'words', 'd2', 'h2', 'gone'],
            self::ids(self::resolve(Layouts::page(...$column('<p>words</p>')), new Supplies()), 'band-0'),
        );
    }

    public function testABandWithNothingInItFallsAwayAndAnEmptyColumnKeepsItsRoom(): void
    {
        $tree = (new Tree([], \Lantern\Core\Piece\Layout::page()))->with([
            Layouts::band('a', [Layouts::of('one', new Text('<p>words</p>'))], []),
            Layouts::band('b', [Layouts::of('two', new Text())]),
        ]);
        $layout = self::resolve($tree, new Supplies());
        self::assertSame(['a'], array_column($layout->pieces, 'id'));
        self::assertSame(['a-0', 'a-1'], array_column($layout->pieces[0]->children, 'id'));
        self::assertContains(['b', Reason::NothingToShow], self::leftOut($layout));
    }

    public function testACarouselOfOneIsThatOne(): void
    {
        $carousel = Layouts::of(
            'carousel',
            new Carousel(),
            children: [Layouts::of('a', new Picture('a.svg')), Layouts::of('b', new Picture('b.svg'))],
        );
        self::assertSame(['a'], self::ids(self::resolve(Layouts::page($carousel), new Supplies(pictures: ['a.svg' => true])), 'band-0'));
        self::assertSame(
            ['carousel'],
            self::ids(self::resolve(Layouts::page($carousel), new Supplies(pictures: ['a.svg' => true, 'b.svg' => true])), 'band-0'),
        );
    }

    public function testATabWithNothingFallsAwayByItself(): void
    {
        $tab = static fn (string $id, string $html): Entry => Layouts::of(
            $id,
            new Tab(),
            children: [Layouts::band("$id-band", [Layouts::of("$id-words", new Text($html))])],
        );
        $layout = self::resolve(
            Layouts::page(Layouts::of('tabs', new Tabs(), children: [$tab('a', ''), $tab('b', '<p>words</p>')])),
            new Supplies(),
        );
        self::assertSame(['b'], self::ids($layout, 'tabs'));
    }

    /** Where a hand led a page to a place, it goes on leading there; what mentions places as a menu does leaves a quiet one out. */
    public function testQuietPlacesStandOnPagesAndNotInPanels(): void
    {
        $places = ['papers' => self::place('papers', Light::Quiet), 'awl' => self::place('awl', Light::Quiet, PlaceKind::Product)];
        $pieces = [
            Layouts::of('button', new Button(), new PlaceTarget('papers')),
            Layouts::of('title', new Title(), new PlaceTarget('papers')),
            Layouts::of('product', new OneProduct(), new PlaceTarget('awl')),
            Layouts::of('links', new Links(), children: [Layouts::link('l', 'papers')]),
        ];
        $page = self::resolve(Layouts::page(...$pieces), new Supplies($places));
        self::assertSame(['button', 'title', 'product'], self::ids($page, 'band-0'));
        self::assertSame('/papers', self::named($page, 'title')->href);
        $panel = self::resolve(
            Layouts::panel(Layouts::band('band', [...$pieces, Layouts::of('words', new Text('<p>words</p>'))])),
            new Supplies($places),
        );
        self::assertSame(['title', 'words'], self::ids($panel, 'band-0'));
        self::assertNull(self::named($panel, 'title')->href);
    }

    /** What is switched off, not for this visitor, or not at this moment; and the next moment at which that changes. */
    public function testLinesOfTheirOwnAreKeptAndTheNextChangeIsTold(): void
    {
        $soon = new \DateTimeImmutable('2026-12-10T00:00:00Z');
        $later = new \DateTimeImmutable('2026-12-24T00:00:00Z');
        $of = static fn (
            string $id,
            bool $on = true,
            Audience $audience = Audience::Everyone,
            Opening $opening = new Opening(),
        ): Entry => new Entry($id, new Heading(), null, [], $on, $audience, $opening, content: new Text('<p>words</p>'));
        $tree = Layouts::page(
            $of('off', false),
            $of('customers', audience: Audience::Customers),
            $of('soon', opening: new Opening($later)),
            $of('now', opening: new Opening(null, $soon)),
        );
        $layout = self::resolve($tree, new Supplies());
        self::assertSame(['now'], self::ids($layout, 'band-0'));
        self::assertEquals($soon, $layout->nextChange);
        self::assertSame(
            [['off', Reason::SwitchedOff], ['customers', Reason::OtherAudience], ['soon', Reason::NotYet]],
            self::leftOut($layout),
        );
        self::assertEquals(
            $later,
            self::resolve(
                Layouts::page(Layouts::of('title', new Title(), new PlaceTarget('fair')), $of('now')),
                new Supplies(['fair' => self::place('fair', opening: new Opening(null, $later))]),
            )->nextChange,
        );
        // Below what is left out, too: an edit of the band must not be needed to find out.
        $band = new Entry(
            'band',
            new Heading(),
            null,
            [Layouts::of('c', new Column(), children: [$of('soon', opening: new Opening($later))])],
            false,
            content: new Band(),
        );
        $off = self::resolve((new Tree([], \Lantern\Core\Piece\Layout::page()))->with([$band]), new Supplies());
        self::assertSame(
            [['band', Reason::SwitchedOff], ['c', Reason::ParentLeftOut], ['soon', Reason::ParentLeftOut]],
            self::leftOut($off),
        );
    }

    public function testPiecesLeadWhereTheirPlaceIsNow(): void
    {
        $tree = Layouts::page(
            Layouts::of('b', new Button(), new PlaceTarget('papers', 'care')),
            Layouts::of('o', new Button(), new OutsideTarget('https://fair.example/')),
        );
        self::assertSame('/papers#care', self::named(self::resolve($tree, new Supplies(['papers' => self::place('papers')])), 'b')->href);
        $moved = new Place('papers', PlaceKind::Category, 'Papers', Address::parse('/sheets'));
        self::assertSame('/sheets#care', self::named(self::resolve($tree, new Supplies(['papers' => $moved])), 'b')->href);
        self::assertSame('https://fair.example/', self::named(self::resolve($tree, new Supplies()), 'o')->href);
        self::assertSame(
            'Papers',
            self::named(
                self::resolve(
                    Layouts::page(new Entry('t', new PlaceTarget('papers'), content: new Button())),
                    new Supplies(['papers' => $moved]),
                ),
                't',
            )->label,
        );
    }

    public function testAGroundWhosePictureIsGoneIsItsColour(): void
    {
        $ground = new Ground(Colour::fromHex('#fcebc9'), 'paper.svg');
        $tree = Layouts::panel(Layouts::of(
            'band',
            new Band(ground: $ground),
            children: [Layouts::of('c', new Column(), children: [Layouts::of('words', new Text('<p>words</p>'))])],
        ));
        $band = static function (Supplies $supplies) use ($tree): Piece {
            return self::named(self::resolve($tree, $supplies), 'band')->piece;
        };
        self::assertTrue($band(new Supplies(pictures: ['paper.svg' => true]))->equals(new Band(ground: $ground)));
        self::assertTrue($band(new Supplies())->equals(new Band(ground: new Ground(Colour::fromHex('#fcebc9')))));
        self::assertSame([], self::resolve(Layouts::panel(), new Supplies())->pieces);
        self::assertSame([['panel', Reason::NothingToShow]], self::leftOut(self::resolve(Layouts::panel(), new Supplies())));
    }

    /** Laws on random pages: each line is either shown or left out with a reason, no reason without a line, and no order is changed. */
    public function testEachPieceIsShownOrLeftOutWithAReason(): void
    {
        for ($seed = 0; $seed < 300; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $tree = Layouts::random($random, 30);
            $some = static fn (): bool => 0 === $random->getInt(0, 1);
            $places = array_filter(
                [
                    'papers' => self::place('papers', Light::cases()[$random->getInt(0, 2)]),
                    'tools' => self::place('tools'),
                    'awl' => self::place('awl', kind: PlaceKind::Product),
                    'chart' => self::place('chart', kind: PlaceKind::File),
                ],
                static fn (): bool => 0 !== $random->getInt(0, 3),
            );
            $pictures = $products = $children = [];
            foreach ($tree->all() as $entry) {
                $pictures += $entry->content instanceof Picture && $some() ? [$entry->content->name => true] : [];
                $products += $entry->content instanceof Products && $some() ? [$entry->id => ['awl']] : [];
                $children += $entry->content instanceof Cards && $some() ? [$entry->id => [self::place('tools')]] : [];
            }
            $layout = self::resolve($tree, new Supplies($places, [], $products, $children, $pictures));
            $shown = self::ids($layout);
            $out = array_map(static fn (LeftOut $left): string => $left->entry->id, $layout->leftOut);
            $all = [];
            foreach ($tree->all() as $entry) {
                if (null !== $entry->content) {
                    $all[] = $entry->id;
                }
            }
            // A carousel of one is shown as that one: neither shown nor left out.
            $carousels = array_values(array_filter($all, static fn (string $id): bool => $tree->get($id)->content instanceof Carousel));
            self::assertSame(
                [],
                array_diff($all, $shown, $out, $carousels, ...array_map(static fn (string $id): array => $tree->get($id)->ids(), $out)),
                "seed $seed",
            );
            self::assertSame([], array_intersect($shown, $out), "seed $seed");
            self::assertSame($shown, array_values(array_intersect($all, $shown)), "seed $seed: another order");
        }
    }

    private static function resolve(Tree $tree, Supplies $supplies): ResolvedLayout
    {
        return LayoutResolver::resolve($tree, $supplies, Visitor::guest(new \DateTimeImmutable(self::NOW)));
    }

    private static function place(
        string $id,
        Light $light = Light::Open,
        PlaceKind $kind = PlaceKind::Category,
        Opening $opening = new Opening(),
    ): Place {
        return new Place($id, $kind, ucfirst($id), Address::parse("/$id"), light: $light, opening: $opening);
    }

    private static function named(ResolvedLayout $layout, string $id): ResolvedPiece
    {
        return array_column($layout->all(), null, 'id')[$id] ?? throw new \LogicException("$id is not shown.");
    }

    /** @return list<string> ids of all that is shown, or of what stands right below one */
    private static function ids(ResolvedLayout $layout, ?string $below = null): array
    {
        return array_column(null === $below ? $layout->all() : self::named($layout, $below)->children, 'id');
    }

    /** @return list<array{string, Reason}> */
    private static function leftOut(ResolvedLayout $layout): array
    {
        return array_map(static fn (LeftOut $left): array => [$left->entry->id, $left->reason], $layout->leftOut);
    }
}
