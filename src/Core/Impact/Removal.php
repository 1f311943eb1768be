<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Redirect\Rule;

/** What it does to remove a place, worked out before it is done. */
final readonly class Removal
{
    /**
     * @param list<Touch> $touches
     * @param list<Rule>  $dropped redirects to it that fall away
     * @param list<Rule>  $changed redirects to it, as they will be
     * @param list<Rule>  $made    without ids
     */
    public function __construct(public array $touches, public array $dropped, public array $changed, public array $made)
    {
    }
}
