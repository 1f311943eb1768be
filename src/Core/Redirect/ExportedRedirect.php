<?php

declare(strict_types=1);

namespace Lantern\Core\Redirect;

/** A redirect with where it leads, as a file has it. */
final readonly class ExportedRedirect
{
    /** @param string $target the address of its place, an address or a URL; empty for what is gone */
    public function __construct(public Rule $rule, public string $target, public string $note)
    {
    }
}
