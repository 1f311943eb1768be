<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Outline\Likeness;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;

/** The places that somebody who wanted one that is no more would most likely be glad of. */
final class Relatives
{
    private const LEAST = 0.15;
    private const BESIDE = 0.3;
    private const SAME_KIND = 0.05;

    /**
     * @param list<Place>               $others whatever could be one, each once
     * @param array<string, int>        $shared how many products each has in common with the place, by id
     * @param int                       $of     how many products the place has
     *
     * @return list<Relative> nearest first
     */
    public static function nearest(
        Place $place,
        ?Place $parent,
        array $others,
        array $shared,
        int $of,
        \DateTimeImmutable $moment,
        int $most = 5,
    ): array {
        $scored = [];
        foreach ($others as $other) {
            if ($other->id === $place->id || $other->id === $parent?->id || !$other->opensAt($moment)) {
                continue;
            }
            if (PlaceKind::Product === $other->kind && PlaceKind::Product !== $place->kind) {
                // One thing to buy is no answer to whoever wanted a choice.
                continue;
            }
            $common = $shared[$other->id] ?? 0;
            $likeness = Likeness::between($place->title, $other->title)->score;
            $beside = null !== $place->parentId && $place->parentId === $other->parentId;
            $score = max(
                $likeness,
                $of > 0 ? $common / $of : 0,
                $beside ? self::BESIDE : 0,
            ) + ($other->kind === $place->kind ? self::SAME_KIND : 0);
            if ($score >= self::LEAST) {
                $scored[] = [$score, new Relative($other, match (true) {
                    $common > 0 => Nearness::SharesProducts,
                    $likeness >= self::LEAST => Nearness::LikeName,
                    default => Nearness::Beside,
                }, $common, $of)];
            }
        }
        usort($scored, static fn (array $a, array $b): int => [$b[0], $a[1]->place->title] <=> [$a[0], $b[1]->place->title]);
        $relatives = array_map(static fn (array $one): Relative => $one[1], \array_slice($scored, 0, $most));

        return null !== $parent && $parent->opensAt($moment) ? [new Relative($parent, Nearness::Above), ...$relatives] : $relatives;
    }
}
