<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Piece;

use Lantern\Core\Menu\Direction;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\Insert;
use Lantern\Core\Menu\Lift;
use Lantern\Core\Menu\Move;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Position;
use Lantern\Core\Menu\Relocate;
use Lantern\Core\Menu\RelocateAll;
use Lantern\Core\Menu\Remove;
use Lantern\Core\Menu\RemoveAll;
use Lantern\Core\Menu\Rewrite;
use Lantern\Core\Menu\Shift;
use Lantern\Core\Menu\Target;
use Lantern\Core\Menu\Together;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Button;
use Lantern\Core\Piece\Cards;
use Lantern\Core\Piece\Carousel;
use Lantern\Core\Piece\Column;
use Lantern\Core\Piece\Divider;
use Lantern\Core\Piece\File;
use Lantern\Core\Piece\Layout;
use Lantern\Core\Piece\Links;
use Lantern\Core\Piece\OneProduct;
use Lantern\Core\Piece\Panel;
use Lantern\Core\Piece\Picture;
use Lantern\Core\Piece\Piece;
use Lantern\Core\Piece\PieceKind;
use Lantern\Core\Piece\Products;
use Lantern\Core\Piece\Tab;
use Lantern\Core\Piece\Tabs;
use Lantern\Core\Piece\Text;
use Lantern\Core\Piece\Title;
use Lantern\Core\Refused;
use Random\Randomizer;

/** Pages and panels for tests: written by hand, or grown at random. */
final class Layouts
{
    /** A page with one band of columns, each with the given pieces. */
    public static function page(Entry ...$pieces): Tree
    {
        return self::columns(array_values($pieces));
    }

    /** @param list<Entry> ...$columns */
    public static function columns(array ...$columns): Tree
    {
        return (new Tree([], Layout::page()))->with([self::band('band', ...$columns)]);
    }

    public static function panel(Entry ...$bands): Tree
    {
        return (new Tree([], Layout::panel()))->with([self::of('panel', new Panel(), children: array_values($bands))]);
    }

    /** @param list<Entry> ...$columns */
    public static function band(string $id, array ...$columns): Entry
    {
        return self::of(
            $id,
            new Band(),
            children: array_map(
                static fn (int $n, array $pieces): Entry => self::of("$id-$n", new Column(), children: $pieces),
                array_keys(array_values($columns)),
                array_values($columns),
            ),
        );
    }

    /** @param list<Entry> $children */
    public static function of(string $id, Piece $piece, ?Target $target = null, array $children = [], ?string $label = null): Entry
    {
        return new Entry($id, $target ?? new Heading(), $label ?? ($piece->needsLabel() ? $id : null), $children, content: $piece);
    }

    public static function link(string $id, string $placeId = ''): Entry
    {
        return '' === $placeId ? new Entry($id, new Heading(), $id) : new Entry($id, new PlaceTarget($placeId));
    }

    public static function anyPiece(Randomizer $random, string $id): Entry
    {
        $band = static fn (): Entry => self::band("$id-band", [self::of("$id-words", new Text())], []);

        return match ($random->getInt(0, 12)) {
            0 => self::of($id, new Title(2 + $random->getInt(0, 2))),
            1 => self::of($id, new Divider()),
            2 => self::of($id, new Picture("$id.svg", 'a spool', 10 + $random->getInt(0, 90))),
            3 => self::of($id, new Button(), new PlaceTarget('papers')),
            4 => self::of($id, new Links(), children: [self::link("$id-one", 'papers'), self::link("$id-two", 'tools')]),
            5 => self::of($id, new Products(most: 1 + $random->getInt(0, 23)), new PlaceTarget('papers')),
            6 => self::of($id, new OneProduct(), new PlaceTarget('awl')),
            7 => self::of($id, new Cards(true), new PlaceTarget('papers')),
            8 => self::of($id, new File(), new PlaceTarget('chart')),
            9 => self::of(
                $id,
                new Tabs(0 === $random->getInt(0, 1)),
                children: [self::of("$id-first", new Tab(), children: [$band()]), self::of("$id-second", new Tab())],
            ),
            10 => self::of($id, new Carousel(), children: [self::of("$id-a", new Text()), self::of("$id-b", new Picture('b.svg'))]),
            default => self::of($id, new Text(0 === $random->getInt(0, 2) ? '' : '<p>words</p>')),
        };
    }

    public static function random(Randomizer $random, int $size): Tree
    {
        $tree = (new Tree([], Layout::page()))->with([self::band('band', [])]);
        for ($n = 0; $n < $size; ++$n) {
            try {
                $tree = self::insertion($tree, $random, "e$n")->apply($tree);
            } catch (Refused) {
            }
        }

        return $tree;
    }

    /** What somebody could make of a page in some random moves. */
    public static function mixed(Tree $tree, Randomizer $random, string $name, int $moves): Tree
    {
        for ($n = 0; $n < $moves; ++$n) {
            try {
                $tree = self::anyMove($tree, $random, "$name-$n")->apply($tree);
            } catch (Refused) {
            }
        }

        return $tree;
    }

    public static function anyMove(Tree $tree, Randomizer $random, string $newId): Move
    {
        $ids = self::ids($tree);
        $any = static fn (): string => [] === $ids ? 'none' : $ids[$random->getInt(0, \count($ids) - 1)];
        $some = static fn (): array => array_map($any, range(0, $random->getInt(0, 3)));
        $columns = array_values(array_filter($ids, static fn (string $id): bool => PieceKind::Column === Layout::kindOf($tree->get($id))));
        $position = static fn (): Position => new Position(match ($random->getInt(0, 3)) {
            0 => null,
            1 => $any(),
            default => [] === $columns ? null : $columns[$random->getInt(0, \count($columns) - 1)],
        }, $random->getInt(0, 4));

        return match ($random->getInt(0, 9)) {
            0, 1 => self::insertion($tree, $random, $newId),
            2 => new Remove($any()),
            3 => new Lift($any()),
            4, 5 => new Relocate($any(), $position()),
            6 => new Shift($any(), Direction::cases()[$random->getInt(0, 3)]),
            7 => new RelocateAll($some(), $position()),
            8 => new RemoveAll($some(), 0 === $random->getInt(0, 1)),
            default => new Together([self::rewriting($tree, $any(), $random), self::insertion($tree, $random, $newId)]),
        };
    }

    /** @return list<string> */
    public static function ids(Tree $tree): array
    {
        return array_column(iterator_to_array($tree->all(), false), 'id');
    }

    private static function insertion(Tree $tree, Randomizer $random, string $id): Move
    {
        $ids = self::ids($tree);
        $parent = [] === $ids || 0 === $random->getInt(0, 5) ? null : $ids[$random->getInt(0, \count($ids) - 1)];
        $entry = match (null === $parent ? PieceKind::Panel : Layout::kindOf($tree->get($parent))) {
            PieceKind::Panel, PieceKind::Tab => self::band($id, [], [self::of("$id-words", new Text())]),
            PieceKind::Band => self::of($id, new Column(1 + $random->getInt(0, 11))),
            PieceKind::Tabs => self::of($id, new Tab()),
            PieceKind::Links, PieceKind::Cards, PieceKind::Products, null => self::link($id, 'tools'),
            default => self::anyPiece($random, $id),
        };

        return new Insert($entry, new Position($parent, $random->getInt(0, 4)));
    }

    private static function rewriting(Tree $tree, string $id, Randomizer $random): Move
    {
        $entry = $tree->find($id);
        if (null === $entry) {
            return new Remove($id);
        }
        $content = $entry->content instanceof Band
            ? new Band(gap: $random->getInt(0, 40))
            : ($entry->content instanceof Column ? new Column(1 + $random->getInt(0, 5)) : $entry->content);

        return new Rewrite(new Entry(
            $entry->id,
            $entry->target,
            $entry->label,
            [],
            0 !== $random->getInt(0, 3),
            note: 'n'.$random->getInt(0, 9),
            content: $content,
        ));
    }
}
