<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Place\Place;
use Lantern\Core\Refused;

/** A place, a part of one, or one narrowed to some of its products. It is a reference, so the entry follows when the address changes. */
final readonly class PlaceTarget implements Target
{
    /** @param string $part an anchor within the place, without `#`; empty for the whole place */
    public function __construct(public string $placeId, public string $part = '', public Narrowing $narrowing = new Narrowing())
    {
        if ('' !== $part && !$narrowing->isNone()) {
            throw new Refused('target', 'An entry leads to a part of a place, or to some of its products, not to both.');
        }
    }

    public function equals(Target $other): bool
    {
        return $other instanceof self
            && $this->placeId === $other->placeId
            && $this->part === $other->part
            && $this->narrowing->equals($other->narrowing);
    }

    /** @return list<string> ids of the place, and of the categories that it is narrowed to */
    public function placeIds(): array
    {
        return [$this->placeId, ...$this->narrowing->categoryIds()];
    }

    /**
     * What follows the address of the place: its query and the anchor, encoded.
     *
     * @param array<string, Place> $places the categories that it is narrowed to, by id; one that is missing narrows nothing
     */
    public function suffix(array $places = []): string
    {
        $categories = [];
        foreach ($this->narrowing->categoryIds() as $id) {
            if (isset($places[$id])) {
                $categories[$id] = ltrim($places[$id]->address->path, '/');
            }
        }
        $query = $this->narrowing->query($categories);

        return ('' === $query ? '' : "?$query").('' === $this->part ? '' : '#'.rawurlencode($this->part));
    }
}
