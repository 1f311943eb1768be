<?php

declare(strict_types=1);

namespace Lantern\Workbench\Addresses;

use Lantern\Core\Impact\AddressChange;

/** Wishes for addresses, each judged, and what those that can be do together. */
final readonly class JudgedWishes
{
    /**
     * @param list<JudgedWish>   $wishes in the order in which they were made
     * @param AddressChange|null $change null where nothing is left to do
     */
    public function __construct(public array $wishes, public ?AddressChange $change)
    {
    }

    /** @return array<string, string> why not, by id of the place */
    public function problems(): array
    {
        return array_filter(array_column($this->wishes, 'problem', 'placeId'), \is_string(...));
    }
}
