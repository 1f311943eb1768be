<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** Which places a visitor can follow a link from. */
interface LinkLookup
{
    /** @return array<string, true> ids of the places that the front page leads to, by its frame or by itself */
    public function fromTheFront(): array;

    /**
     * @param list<string> $placeIds
     *
     * @return array<string, list<string>> for each, the ids of the places that lead to it
     */
    public function leadingTo(array $placeIds): array;
}
