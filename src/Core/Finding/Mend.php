<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

/** One way to put a finding right, with what that touches. */
final readonly class Mend
{
    /**
     * @param string $says    such as “Make it a reference”
     * @param string $touches what else becomes different by it, in words; empty: nothing but the thing itself
     */
    public function __construct(public MendKind $kind, public string $says, public string $touches = '')
    {
    }
}
