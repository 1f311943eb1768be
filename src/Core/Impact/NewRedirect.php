<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Address\Address;
use Lantern\Core\Redirect\Goal;

/** A redirect, for good, that an address change makes by itself. */
final readonly class NewRedirect
{
    public function __construct(public Address $source, public bool $prefix, public Goal $goal)
    {
    }

    public function sourceWords(): string
    {
        return $this->prefix ? $this->source->path.'/*' : $this->source->path;
    }
}
