<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/**
 * An entry that a visitor does not get, and why. With `asHeading` the entry itself stays, because
 * something below it is shown, but it leads nowhere.
 */
final readonly class LeftOut
{
    public function __construct(public Entry $entry, public string $label, public Reason $reason, public bool $asHeading = false)
    {
    }
}
