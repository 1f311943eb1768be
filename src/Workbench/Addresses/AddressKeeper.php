<?php

declare(strict_types=1);

namespace Lantern\Workbench\Addresses;

use Lantern\Core\Impact\ChangedAddress;
use Lantern\Core\Impact\MovedPlaces;
use Lantern\Core\Impact\RedirectsOfAMove;
use Lantern\Reading\Answers\RememberedPlaces;
use Lantern\Reading\Copies\Copies;
use Lantern\Workbench\Edits\AddressesComeBack;
use Lantern\Workbench\Redirects\RedirectRows;

/**
 * Makes the redirects that are missing where places came by other addresses than by a change of these, as when an edit is taken back that
 * visitors have seen.
 */
final readonly class AddressKeeper implements AddressesComeBack
{
    public function __construct(private Copies $copies, private RedirectRows $redirects)
    {
    }

    public function keep(array $placeIds): void
    {
        $workbench = $this->copies->workbench;
        $now = $workbench->places->byIds($placeIds);
        $moved = $known = [];
        foreach ($this->copies->live->places->byIds($placeIds) as $id => $live) {
            $place = $now[$id] ?? null;
            if (null !== $place && !$place->address->equals($live->address)) {
                $moved[] = new ChangedAddress($id, $place->title, $live->address, $place->address);
                $known[$id] = $live->address;
            }
        }
        if ([] === $moved) {
            return;
        }
        $places = new RememberedPlaces($workbench->places);
        $places->remember(array_values($known), array_keys($known));
        $redirects = new RedirectsOfAMove(
            new MovedPlaces($places, []),
            $known,
            [],
            $workbench->rules->concernedBy(array_values($known), []),
        );
        $this->redirects->carryOut([], [], $redirects->missing($moved));
    }
}
