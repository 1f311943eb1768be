<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Menu;

use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\Tree;
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
            $tree = $tree->inserted(self::entry("e$n"), new \Lantern\Core\Menu\Position($parent, $index));
        }

        return $tree;
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
