<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Menu;

use Lantern\Core\Menu\Direction;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Gather;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\Insert;
use Lantern\Core\Menu\Lift;
use Lantern\Core\Menu\Move;
use Lantern\Core\Menu\Position;
use Lantern\Core\Menu\Relocate;
use Lantern\Core\Menu\RelocateAll;
use Lantern\Core\Menu\Remove;
use Lantern\Core\Menu\RemoveAll;
use Lantern\Core\Menu\Rewrite;
use Lantern\Core\Menu\Shift;
use Lantern\Core\Menu\ShiftAll;
use Lantern\Core\Menu\Together;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Refused;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Menus for tests: written as nested lists of words, or grown at random. */
final class Trees
{
    /** @param array<int|string, mixed> $shape `['Papers' => ['Marbled', 'Paste'], 'Tools']`; each word is id and label */
    public static function of(array $shape): Tree
    {
        return new Tree(self::entries($shape));
    }

    public static function entry(string $id, Entry ...$children): Entry
    {
        return new Entry($id, new Heading(), $id, array_values($children));
    }

    public static function random(int $seed, int $size): Tree
    {
        $random = new Randomizer(new Mt19937($seed));
        $tree = new Tree();
        for ($n = 0; $n < $size; ++$n) {
            $parents = [null];
            foreach ($tree->entries as $first) {
                $parents[] = $first->id;
                foreach ($first->children as $second) {
                    $parents[] = $second->id;
                }
            }
            $parent = $parents[$random->getInt(0, \count($parents) - 1)];
            $index = $random->getInt(0, \count($tree->childrenOf($parent)));
            $tree = $tree->inserted(self::entry("e$n"), new Position($parent, $index));
        }

        return $tree;
    }

    /** What somebody could make of a menu in some random moves. */
    public static function mixed(Tree $tree, int $seed, int $moves): Tree
    {
        $random = new Randomizer(new Mt19937($seed));
        for ($n = 0; $n < $moves; ++$n) {
            try {
                $tree = self::anyMove($tree, $random, "new$seed-$n")->apply($tree);
            } catch (Refused) {
            }
        }

        return $tree;
    }

    public static function anyMove(Tree $tree, Randomizer $random, string $newId): Move
    {
        $ids = self::ids($tree);
        $any = static fn (): string => [] === $ids ? 'none' : $ids[$random->getInt(0, \count($ids) - 1)];
        $some = static fn (): array => array_map($any, range(0, $random->getInt(0, 4)));
        $position = static fn (): Position => new Position(0 === $random->getInt(0, 2) ? null : $any(), $random->getInt(0, 5));
        $direction = static fn (): Direction => Direction::cases()[$random->getInt(0, 3)];

        return match ($random->getInt(0, 10)) {
            0 => new Insert(self::entry($newId, self::entry("$newId-below")), $position()),
            1 => new Remove($any()),
            2 => new Lift($any()),
            3 => new Relocate($any(), $position()),
            4 => new Shift($any(), $direction()),
            5 => new Rewrite(new Entry($any(), new Heading(), "renamed $newId", enabled: 0 === $random->getInt(0, 1))),
            6 => new ShiftAll($some(), $direction()),
            7 => new RelocateAll($some(), $position()),
            8 => new RemoveAll($some(), 0 === $random->getInt(0, 1)),
            9 => new Gather(self::entry($newId), new Position(null, $random->getInt(0, 3)), $random->getInt(0, 2)),
            default => new Together([new Remove($any()), new Insert(self::entry($newId), new Position(null, 0))]),
        };
    }

    /** @return list<string> */
    public static function ids(Tree $tree): array
    {
        return array_column(iterator_to_array($tree->all(), false), 'id');
    }

    /** @return array<int|string, mixed> the shape that `of` takes */
    public static function shape(Tree $tree): array
    {
        return self::shapeOf($tree->entries);
    }

    /**
     * @param array<int|string, mixed> $shape
     *
     * @return list<Entry>
     */
    private static function entries(array $shape): array
    {
        $entries = [];
        foreach ($shape as $key => $value) {
            $entries[] = \is_array($value)
                ? new Entry((string) $key, new Heading(), (string) $key, self::entries($value))
                : self::entry(\is_string($value) ? $value : '');
        }

        return $entries;
    }

    /**
     * @param list<Entry> $entries
     *
     * @return array<int|string, mixed>
     */
    private static function shapeOf(array $entries): array
    {
        $shape = [];
        foreach ($entries as $entry) {
            if ([] === $entry->children) {
                $shape[] = $entry->id;
            } else {
                $shape[$entry->id] = self::shapeOf($entry->children);
            }
        }

        return $shape;
    }
}
