<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Address\Address;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\RedirectStatus;

/** A redirect that a change of address makes by itself. One that is there with the same source gives way to it. */
final readonly class NewRedirect
{
    public function __construct(
        public Address $source,
        public bool $prefix,
        public Goal $goal,
        public RedirectStatus $status = RedirectStatus::ForGood,
        public ?\DateTimeImmutable $until = null,
    ) {
    }

    public function sourceWords(): string
    {
        return $this->prefix ? $this->source->path.'/*' : $this->source->path;
    }
}
