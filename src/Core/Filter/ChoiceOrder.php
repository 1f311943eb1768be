<?php

declare(strict_types=1);

namespace Lantern\Core\Filter;

/** In which order the choices of a filter stand. */
enum ChoiceOrder: string
{
    /** Numbers in names by their worth: 2 mm before 10 mm. */
    case Name = 'name';
    /** Most products first. */
    case Count = 'count';
    /** Those that somebody put in order, then the rest by name. */
    case Hand = 'hand';
}
