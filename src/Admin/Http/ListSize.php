<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Symfony\Component\Validator\Constraints\Count;

/** A list, and how many may be in it. An object of JSON is no list, though PHP reads both into an array. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class ListSize extends Count
{
    /** The code of a violation: something in the list is of another kind. */
    public const OF_OTHERS = 'of-others';

    public function __construct(int $max, int $min = 0)
    {
        parent::__construct(min: $min, max: $max);
    }
}
