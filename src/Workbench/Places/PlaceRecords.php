<?php

declare(strict_types=1);

namespace Lantern\Workbench\Places;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Stale;
use Psr\Clock\ClockInterface;

/** Places of the workbench to be changed: locked for it, and signed by whoever does it. */
final readonly class PlaceRecords
{
    public function __construct(private EntityManagerInterface $entities, private ClockInterface $clock)
    {
    }

    /**
     * @param int|null $version of the place that a change was thought out for; null: whatever it is by now
     *
     * @throws Stale|NotThere
     */
    public function locked(string $placeId, ?int $version): PlaceRecord
    {
        // Doctrine reads a row anew when it locks it.
        $place = $this->entities->find(PlaceRecord::class, $placeId, LockMode::PESSIMISTIC_WRITE) ?? throw NotThere::place();
        if (null !== $version && $place->version !== $version) {
            throw new Stale($place->version);
        }

        return $place;
    }

    public function sign(PlaceRecord $place, Actor $by): void
    {
        $place->changedAt = $this->clock->now();
        $place->changedBy = $by->name;
    }
}
