<?php

declare(strict_types=1);

namespace Lantern\Workbench\Edits;

/**
 * Where two people may meet in more than one row. Whoever needs several takes them in this order, and before any row, so that nobody
 * waits for one another in a circle; each is held until its transaction ends.
 */
enum Lock: string
{
    /** Who works here: two owners who remove each other come one after the other. */
    case People = 'people';

    /** Jobs of a kind: one at a time. */
    case Jobs = 'jobs';

    /**
     * What relates places with each other (addresses, redirects, what stands below what, where closed ones lead): two could make a
     * circle of two halves, or take one address.
     */
    case Relations = 'relations';

    /** Bays, and what hangs in them. */
    case Frame = 'frame';

    /** Settings of the shop: what was read of some decides what is written into others. */
    case Settings = 'settings';

    /** A release. */
    case Publish = 'publish';

    public function name(): string
    {
        return "lantern {$this->value}";
    }
}
