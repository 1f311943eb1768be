<?php

declare(strict_types=1);

namespace Lantern\Reading\Findings;

use Lantern\Core\Place\Place;

/** A place as it stands in the picture of the shop. */
final readonly class MappedPlace
{
    /**
     * @param int|null    $steps from the front page; null: no way leads there
     * @param string|null $above id of the place that stands above it, where that is in the picture, too
     * @param int         $visits in 30 days
     * @param int         $wrong  how many findings its visitors meet
     */
    public function __construct(public Place $place, public ?int $steps, public ?string $above, public int $visits, public int $wrong)
    {
    }
}
