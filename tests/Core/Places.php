<?php

declare(strict_types=1);

namespace Lantern\Tests\Core;

use Lantern\Core\Address\Address;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceLookup;

/** A few places, held in memory. */
final class Places implements PlaceLookup
{
    /** @var array<string, Place> by address */
    private array $places = [];

    public function __construct(Place ...$places)
    {
        foreach ($places as $place) {
            $this->places[$place->address->path] = $place;
        }
    }

    public function at(Address $address): ?Place
    {
        return $this->places[$address->path] ?? null;
    }

    public function get(string $id): ?Place
    {
        foreach ($this->places as $place) {
            if ($place->id === $id) {
                return $place;
            }
        }

        return null;
    }

    /** @return list<Place> */
    public function all(): array
    {
        return array_values($this->places);
    }
}
