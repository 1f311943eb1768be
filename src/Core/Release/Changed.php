<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

use Lantern\Core\Place\Place;
use Lantern\Core\Redirect\Rule;

/** What became different, as it is now: that, and what it reaches, is judged, and not the whole shop. */
final readonly class Changed
{
    /**
     * @param list<Place>    $places    that are new or different
     * @param list<Rule>     $rules     that are new or different
     * @param list<LostLead> $lost      entries that lead to no place: changed ones, or whose place was removed
     * @param list<Place>    $closedTo  closed places that lead to one that is not there
     * @param list<OpenText> $texts     open texts with blanks
     * @param list<Place>    $sameSpot  places that share their address with another one, next to each other
     */
    public function __construct(
        public array $places = [],
        public array $rules = [],
        public array $lost = [],
        public array $closedTo = [],
        public array $texts = [],
        public array $sameSpot = [],
    ) {
    }
}
