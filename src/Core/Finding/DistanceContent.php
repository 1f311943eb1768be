<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

use Lantern\Core\Place\Place;

/** Places that many visit although the way to them is long. */
final readonly class DistanceContent implements Examinable
{
    public const KEY = 'distance:distance';

    /** More steps than these are far. */
    public const NEAR = 3;

    /** Nobody minds the way to what only a few look for: visits in 30 days. */
    public const MANY_VISITS = 100;

    /**
     * @param list<Place>            $visited places with many visits
     * @param array<string, int|null> $steps   from the front page, by id; null: no way that is short enough leads there
     */
    public function __construct(private array $visited, private array $steps)
    {
    }

    public function key(): string
    {
        return self::KEY;
    }

    public function examine(Examination $examination): void
    {
        $examination->shop->reach(DependencyKey::frame());
        $examination->shop->reach(DependencyKey::ways());
        $examination->shop->reach(DependencyKey::leads(''));
        foreach ($this->visited as $place) {
            $examination->shop->until($place->opening->nextChange($examination->moment));
            $examination->shop->reach(DependencyKey::place($place->id));
            // One that nothing leads to is another finding, and one that is meant to be quiet is meant to be far.
            if (
                null === ($this->steps[$place->id] ?? null)
                && $place->lightAt($examination->moment)->isShownInLists()
                && $examination->shop->isLedTo($place)
            ) {
                $examination->note(new Finding(
                    FindingKind::PlaceFar,
                    new Subject(SubjectType::Place, $place->id, $place->title, where: $place->kind->words()),
                    ['steps' => self::NEAR, 'address' => $place->address->path],
                    [$place->address->path],
                ));
            }
        }
    }
}
