<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

/** An entry whose place is not there. */
final readonly class LostLead
{
    public function __construct(public string $label, public string $menu)
    {
    }
}
