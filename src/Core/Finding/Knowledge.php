<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

use Lantern\Core\Address\Address;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceLookup;
use Lantern\Core\Redirect\RuleLookup;
use Lantern\Core\Shop\Settings;
use Lantern\Core\Words\Anchor;

/** What may be asked about one copy of the shop while it is looked over. */
interface Knowledge extends PlaceLookup, RuleLookup
{
    /** Whether a page is laid out in pieces: then nobody reads the words behind them. */
    public function isLaidOut(string $placeId): bool;

    /** @return list<Anchor> the parts of a page that a link can lead to */
    public function parts(string $placeId): array;

    /** Path, query and part within this shop of an address that was written with its domain; null where it is another web site's. */
    public function within(string $url): ?string;

    /** Whether the program itself answers at an address that is reserved for it. */
    public function serves(Address $address): bool;

    /** Whether a place stands somewhere below an address, or there. */
    public function isAnythingBelow(Address $address): bool;

    /** What another web site answered the last time; null where nobody asked yet. */
    public function outside(string $url): ?OutsideAnswer;

    public function hasPicture(string $name): bool;

    /** Whether the page of a group, category, collection or journal shows a guest anything below it. */
    public function listsAnything(Place $place): bool;

    /** Whether an entry that hangs somewhere, a text, a piece or the list of a page leads there, other than its own. */
    public function isLedTo(Place $place): bool;

    /** Whether an entry, a piece or a text of the footer leads there. */
    public function isInFooter(string $placeId): bool;

    /** @return list<Place> the places that search engines are given under this title, at most three */
    public function titled(string $title): array;

    /** @return array<string, string> the lists that sign-ups of the footer write into, with the name of the column */
    public function signUpsOfTheFooter(): array;

    public function settings(): Settings;
}
