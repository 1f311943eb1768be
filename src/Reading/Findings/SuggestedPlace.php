<?php

declare(strict_types=1);

namespace Lantern\Reading\Findings;

use Lantern\Core\Place\Place;

final readonly class SuggestedPlace
{
    /** @param string $why such as “had this address before” */
    public function __construct(public Place $place, public string $why)
    {
    }
}
