<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Address\Address;
use Lantern\Core\Place\PlaceLookup;

/** Which place stands where, once some of them have moved. */
final readonly class MovedPlaces
{
    /** @var array<string, string> ids by new address */
    private array $arrived;
    /** @var array<string, Address> new addresses by id */
    private array $moved;

    /** @param list<ChangedAddress> $moved */
    public function __construct(private PlaceLookup $before, array $moved)
    {
        $arrived = $addresses = [];
        foreach ($moved as $one) {
            $arrived[$one->to->path] = $one->placeId;
            $addresses[$one->placeId] = $one->to;
        }
        $this->arrived = $arrived;
        $this->moved = $addresses;
    }

    /** The id of the place that stands at an address then. */
    public function at(Address $address): ?string
    {
        if (isset($this->arrived[$address->path])) {
            return $this->arrived[$address->path];
        }
        $there = $this->before->at($address)?->id;

        return null === $there || isset($this->moved[$there]) ? null : $there;
    }

    /** Whether a place that always opens stands at an address then. */
    public function isAlwaysOpenAt(Address $address): bool
    {
        $id = $this->at($address);

        return null !== $id && true === $this->before->get($id)?->isAlwaysOpen();
    }

    /** Whether a place opens at all, today or on a date. */
    public function opens(string $placeId): bool
    {
        return true === $this->before->get($placeId)?->light->opens();
    }

    /** Where a place stands then. */
    public function addressOf(string $placeId): ?Address
    {
        return $this->moved[$placeId] ?? $this->before->get($placeId)?->address;
    }
}
