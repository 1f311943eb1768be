<?php

declare(strict_types=1);

namespace Lantern\Reading\Answers;

use Lantern\Core\Address\Address;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceLookup;
use Lantern\Reading\Places\PlaceReader;

/** Places that are asked for again and again while many are judged by the same rule. */
final class RememberedPlaces implements PlaceLookup
{
    /** @var array<string, Place|null> */
    private array $byId = [];
    /** @var array<string, Place|null> */
    private array $byAddress = [];

    public function __construct(private readonly PlaceReader $places)
    {
    }

    /**
     * Reads what will be asked for, all at once.
     *
     * @param list<Address> $addresses
     * @param list<string>  $ids
     */
    public function remember(array $addresses, array $ids): void
    {
        $paths = array_map(static fn (Address $address): string => $address->path, $addresses);
        $this->byAddress = $this->places->atAll($addresses) + array_fill_keys($paths, null) + $this->byAddress;
        $this->byId = $this->places->byIds($ids) + array_fill_keys($ids, null) + $this->byId;
    }

    public function at(Address $address): ?Place
    {
        return \array_key_exists(
            $address->path,
            $this->byAddress,
        ) ? $this->byAddress[$address->path] : $this->byAddress[$address->path] = $this->places->at($address);
    }

    public function get(string $id): ?Place
    {
        return \array_key_exists($id, $this->byId) ? $this->byId[$id] : $this->byId[$id] = $this->places->get($id);
    }
}
