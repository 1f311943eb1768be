<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Impact;

use Eris\Generators;
use Eris\TestTrait;
use Lantern\Core\Impact\LinkLookup;
use Lantern\Core\Impact\Steps;
use PHPUnit\Framework\TestCase;

final class StepsTest extends TestCase
{
    use TestTrait;

    public function testGoesTheShortestWay(): void
    {
        $links = [
            'front' => ['papers', 'search'],
            'papers' => ['marbled', 'sheet'],
            'marbled' => ['sheet', 'guide'],
            'guide' => ['leaflet'],
            'leaflet' => ['papers'],
        ];
        self::assertSame(
            ['front' => 0, 'papers' => 1, 'sheet' => 2, 'leaflet' => 4, 'orphan' => null],
            (new Steps(self::lookup($links), 'front'))->to(['front', 'papers', 'sheet', 'leaflet', 'orphan']),
        );
    }

    public function testAsksOnceALevelHoweverManyPlaces(): void
    {
        $lookup = self::lookup(['front' => ['a'], 'a' => ['b', 'c', 'd'], 'b' => ['e'], 'c' => ['e', 'f']]);
        (new Steps($lookup, 'front'))->to(['b', 'c', 'd', 'e', 'f']);
        self::assertLessThanOrEqual(2, $lookup->asked);
    }

    /** Going backwards from any places finds what walking forwards through the whole shop finds. */
    public function testAgreesWithAWalkThroughEverything(): void
    {
        $this->limitTo(300)->forAll(
            Generators::seq(Generators::tuple(Generators::choose(0, 11), Generators::choose(0, 11))),
        )->then(static function (array $pairs): void {
            $links = [];
            /** @var list<array{int, int}> $pairs */
            foreach ($pairs as [$from, $to]) {
                $links[0 === $from ? 'front' : "p$from"][] = 0 === $to ? 'front' : "p$to";
            }
            $far = ['front' => 0];
            $here = ['front'];
            while ([] !== $here) {
                $next = [];
                foreach ($here as $id) {
                    foreach ($links[$id] ?? [] as $to) {
                        if (!isset($far[$to])) {
                            $far[$to] = $far[$id] + 1;
                            $next[] = $to;
                        }
                    }
                }
                $here = $next;
            }
            $all = array_map(static fn (int $n): string => "p$n", range(1, 11));
            foreach ((new Steps(self::lookup($links), 'front'))->to($all) as $id => $steps) {
                $expected = $far[$id] ?? null;
                self::assertSame(null === $expected || $expected > Steps::MOST ? null : $expected, $steps, $id);
            }
        });
    }

    /** @param array<string, list<string>> $links */
    private static function lookup(array $links): CountingLinks
    {
        return new CountingLinks($links);
    }
}

/** Links held in memory, which count how often they were asked for. */
final class CountingLinks implements LinkLookup
{
    public int $asked = 0;

    /** @param array<string, list<string>> $links */
    public function __construct(private readonly array $links)
    {
    }

    public function fromTheFront(): array
    {
        return array_fill_keys($this->links['front'] ?? [], true);
    }

    public function leadingTo(array $placeIds, array $front): array
    {
        ++$this->asked;
        $sources = array_fill_keys($placeIds, []);
        foreach ($this->links as $from => $targets) {
            foreach ($targets as $to) {
                if (isset($sources[$to])) {
                    $sources[$to][] = $from;
                }
            }
        }

        return $sources;
    }
}
