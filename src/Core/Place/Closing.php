<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

use Lantern\Core\Refused;

/** What the address of a place answers while it is closed. */
final readonly class Closing
{
    private const MAX_STEPS = 25;

    /**
     * @param string|null $toPlaceId where visitors are led for now; only with `Elsewhere`
     *
     * @throws Refused where it should lead elsewhere, but nowhere is chosen
     */
    public function __construct(public ClosedAnswer $answer, public ?string $toPlaceId = null)
    {
        if (ClosedAnswer::Elsewhere === $answer && null === $toPlaceId) {
            throw new Refused('closedTo', 'Choose the place that visitors are led to while this one is closed.');
        }
    }

    /**
     * Closed places may lead on to each other, but never back to where the visitor began.
     *
     * @throws Refused with the loop shown
     */
    public function refuseLoop(Place $from, PlaceLookup $places): void
    {
        $trail = [$from->address->path];
        $next = ClosedAnswer::Elsewhere === $this->answer ? $this->toPlaceId : null;
        while (null !== $next && \count($trail) < self::MAX_STEPS) {
            $place = $places->get($next)
                ?? throw new Refused('closedTo', 'The place that visitors should be led to is no longer there. Choose another one.');
            $trail[] = $place->address->path;
            if ($place->id === $from->id) {
                throw new Refused(
                    'closedTo',
                    \sprintf('Visitors would go round in a circle: %s. Choose another place.', implode(' → ', $trail)),
                );
            }
            $next = ClosedAnswer::Elsewhere === $place->closedAnswer ? $place->closedTo : null;
        }
    }
}
