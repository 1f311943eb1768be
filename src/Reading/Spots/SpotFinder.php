<?php

declare(strict_types=1);

namespace Lantern\Reading\Spots;

use Lantern\Core\Fit\HeaderFit;
use Lantern\Core\Menu\Bay;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Resolver;
use Lantern\Core\Menu\Spot;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Place\Place;
use Lantern\Core\Visitor;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Frame\FittedHeader;
use Psr\Clock\ClockInterface;

/** Finds where a place can go into the menus of the workbench, by a few letters of the spot. */
final readonly class SpotFinder
{
    private const MOST = 12;

    public function __construct(private Copies $copies, private ClockInterface $clock)
    {
    }

    /** @return list<FoundSpot> those of menus that hang first; of each menu the outer ones first */
    public function find(Place $place, string $words): array
    {
        $menus = $this->copies->workbench->menus;
        $bays = $menus->bays();
        $hung = array_flip(array_values(array_filter(array_map(static fn (Bay $bay): ?string => $bay->menuId, $bays))));
        $names = $menus->names();
        uksort($names, static fn (string $a, string $b): int => ($hung[$a] ?? \PHP_INT_MAX) <=> ($hung[$b] ?? \PHP_INT_MAX));
        $trees = $menus->trees(array_keys($names));
        $versions = $menus->versions();
        $places = $this->copies->workbench->places->referredToByMenus(array_keys($names));
        $places[$place->id] = $place;
        $titles = array_map(static fn (Place $one): string => $one->title, $places);
        $header = array_values(array_filter($bays, static fn (Bay $bay): bool => 'header' === $bay->id))[0]->menuId ?? null;
        $fit = $this->fit(
            $trees[$header ?? ''] ?? new Tree(),
            $place,
            $places,
            null === $header ? [] : $this->copies->workbench->layouts->panelsIn($header),
        );
        $found = [];
        foreach ($names as $id => $name) {
            $tree = $trees[$id] ?? new Tree();
            foreach (Spot::in($name, $tree, $titles) as $spot) {
                if (\count($found) < self::MOST && $spot->has($words)) {
                    $found[] = new FoundSpot(
                        $id,
                        $versions[$id] ?? 1,
                        $spot,
                        self::isThere($tree, $spot, $place),
                        $id === $header ? $fit($spot) : '',
                    );
                }
            }
        }

        return $found;
    }

    private static function isThere(Tree $tree, Spot $spot, Place $place): bool
    {
        return [] !== array_filter(
            $tree->childrenOf($spot->at->parentId),
            static fn (Entry $one): bool => $one->target instanceof PlaceTarget && $one->target->placeId === $place->id,
        );
    }

    /**
     * @param array<string, Place> $places
     * @param list<string>         $panels ids of the entries that open a wide panel
     *
     * @return \Closure(Spot): string what a place in that spot does to the fit of the header; the empty text: nothing
     */
    private function fit(Tree $header, Place $place, array $places, array $panels): \Closure
    {
        $workbench = $this->copies->workbench;
        $visitor = Visitor::guest($this->clock->now());
        // An entry that only leads to a place brings nothing along that fills it.
        $candidates = $workbench->fillings->candidates([$header], $visitor->moment);
        $settings = $workbench->settings->all();
        $of = static fn (Tree $tree): HeaderFit => FittedHeader::of(
            $settings,
            Resolver::resolve($tree, $places, $visitor, $candidates)->entries,
            $panels,
        );
        $before = $of($header)->words();

        return static function (Spot $spot) use ($of, $header, $place, $before): string {
            $after = $of($header->inserted(new Entry('spot', new PlaceTarget($place->id)), $spot->at));

            return $after->onADesk() || $after->words() === $before ? '' : $after->words();
        };
    }
}
