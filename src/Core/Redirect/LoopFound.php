<?php

declare(strict_types=1);

namespace Lantern\Core\Redirect;

use Lantern\Core\Refused;

/** Redirects that lead back to where they began. */
final class LoopFound extends Refused
{
    /** @param list<string> $steps the addresses of the loop, the first of them again at the end */
    public function __construct(public readonly array $steps)
    {
        parent::__construct(
            'target',
            \sprintf('This would go round in a circle: %s. Choose a target outside of it.', implode(' → ', $steps)),
        );
    }
}
