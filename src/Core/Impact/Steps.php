<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** The fewest links to follow from the front page to a place, for many places at once; nobody follows more than `MOST`. */
final readonly class Steps
{
    public const MOST = 7;

    /** @param int $most further than this nobody goes: what is not reached by then is not reached */
    public function __construct(private LinkLookup $links, private string $frontPageId, private int $most = self::MOST)
    {
    }

    /**
     * Goes backwards from the places, a level at a time, until every one is reached from the front or
     * nothing more leads to them. A place that is reached is gone into no further: what leads there by
     * a longer way makes no difference. So the work grows with what has to be asked, not with the shop.
     *
     * @param list<string> $placeIds
     *
     * @return array<string, int|null> by id; null: no links lead there from the front page
     */
    public function to(array $placeIds): array
    {
        $front = $this->links->fromTheFront();
        $sources = [];
        $steps = $this->walk($front, $placeIds, $sources);
        for ($level = 1; $level < $this->most; ++$level) {
            $asked = self::notAskedYet(
                array_values(array_filter($placeIds, static fn (string $id): bool => !isset($steps[$id]))),
                $sources,
            );
            if ([] === $asked) {
                break;
            }
            $sources += $this->links->leadingTo($asked, $front);
            $steps = $this->walk($front, $placeIds, $sources);
        }

        return array_combine($placeIds, array_map(static fn (string $id): ?int => $steps[$id] ?? null, $placeIds));
    }

    /**
     * What leads to these places by as many links as are known, and of which nobody asked yet what leads there.
     *
     * @param list<string>                $placeIds
     * @param array<string, list<string>> $sources
     *
     * @return list<string>
     */
    private static function notAskedYet(array $placeIds, array $sources): array
    {
        $seen = array_fill_keys($placeIds, true);
        $asked = [];
        for ($here = $placeIds; [] !== $here;) {
            $next = [];
            foreach ($here as $id) {
                if (!isset($sources[$id])) {
                    $asked[] = $id;
                }
                foreach ($sources[$id] ?? [] as $source) {
                    if (!isset($seen[$source])) {
                        $seen[$source] = true;
                        $next[] = $source;
                    }
                }
            }
            $here = $next;
        }

        return $asked;
    }

    /**
     * Forwards, from the front page over the links that are known.
     *
     * @param array<string, true>         $front
     * @param list<string>                $placeIds
     * @param array<string, list<string>> $sources
     *
     * @return array<string, int>
     */
    private function walk(array $front, array $placeIds, array $sources): array
    {
        $leadsOn = [];
        $met = array_fill_keys($placeIds, true);
        foreach ($sources as $id => $some) {
            foreach ($some as $source) {
                $leadsOn[$source][] = $id;
                $met[$source] = true;
            }
        }
        $steps = [$this->frontPageId => 0];
        $here = [];
        foreach (array_keys(array_intersect_key($met, $front)) as $id) {
            if (!isset($steps[$id])) {
                $steps[$id] = 1;
                $here[] = $id;
            }
        }
        for ($far = 2; [] !== $here && $far <= $this->most; ++$far) {
            $next = [];
            foreach ($here as $id) {
                foreach ($leadsOn[$id] ?? [] as $to) {
                    if (!isset($steps[$to])) {
                        $steps[$to] = $far;
                        $next[] = $to;
                    }
                }
            }
            $here = $next;
        }

        return $steps;
    }
}
