<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Lantern\Core\Address\Address;
use Lantern\Core\Answer\PlaceLookup;
use Lantern\Core\Place\Place;

/** Places that are asked for again and again while many are judged by the same rule. */
final class RememberedPlaces implements PlaceLookup
{
    /** @var array<string, Place|null> */
    private array $byId = [];

    public function __construct(private readonly PlaceLookup $places)
    {
    }

    public function at(Address $address): ?Place
    {
        return $this->places->at($address);
    }

    public function get(string $id): ?Place
    {
        return \array_key_exists($id, $this->byId) ? $this->byId[$id] : $this->byId[$id] = $this->places->get($id);
    }
}
