<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** Which places a visitor can follow a link from. */
interface LinkLookup
{
    /** @return array<string, true> ids of the places that the front page leads to, by its frame or by itself */
    public function fromTheFront(): array;

    /**
     * A place that nobody could come to but by the one that is asked for may be left out.
     *
     * @param list<string>        $placeIds
     * @param array<string, true> $front    what `fromTheFront` gave
     *
     * @return array<string, list<string>> for each, the ids of the places that lead to it
     */
    public function leadingTo(array $placeIds, array $front): array;
}
