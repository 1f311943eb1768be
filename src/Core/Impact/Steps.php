<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** The fewest links to follow from the front page to a place, for many places at once; nobody follows more than `MOST`. */
final readonly class Steps
{
    public const MOST = 7;

    public function __construct(private LinkLookup $links, private string $frontPageId)
    {
    }

    /**
     * Goes backwards from the places, a level at a time, until every one is reached from the front or
     * nothing more leads to them. The work grows with what leads to them, not with the shop.
     *
     * @param list<string> $placeIds
     *
     * @return array<string, int|null> by id; null: no links lead there from the front page
     */
    public function to(array $placeIds): array
    {
        $front = $this->links->fromTheFront();
        $steps = [$this->frontPageId => 0];
        $leadsOn = [];
        $known = [];
        $asked = $placeIds;
        for ($level = 0; [] !== $asked && $level < self::MOST; ++$level) {
            $open = [];
            foreach ($asked as $id) {
                $known[$id] = true;
                if (isset($front[$id])) {
                    $steps[$id] ??= 1;
                } elseif (!isset($steps[$id])) {
                    $open[] = $id;
                }
            }
            $next = [];
            foreach ([] === $open ? [] : $this->links->leadingTo($open) as $id => $sources) {
                foreach ($sources as $source) {
                    $leadsOn[$source][] = $id;
                    if (!isset($known[$source])) {
                        $next[$source] = true;
                    }
                }
            }
            $asked = array_keys($next);
        }
        foreach ($asked as $id) {
            if (isset($front[$id])) {
                $steps[$id] ??= 1;
            }
        }
        $this->walk($steps, $leadsOn);

        return array_combine($placeIds, array_map(static fn (string $id): ?int => $steps[$id] ?? null, $placeIds));
    }

    /**
     * Forwards again, from what the front page leads to.
     *
     * @param array<string, int>          $steps
     * @param array<string, list<string>> $leadsOn
     */
    private function walk(array &$steps, array $leadsOn): void
    {
        $here = array_keys($steps);
        for ($far = 2; [] !== $here && $far <= self::MOST; ++$far) {
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
    }
}
