<?php

declare(strict_types=1);

namespace Lantern\Core\Filter;

/** One thing that is chosen, as a visitor can take it out. */
final readonly class Chosen
{
    /** @param Narrowing $without all that is chosen but this */
    public function __construct(public string $filter, public string $label, public Narrowing $without)
    {
    }
}
