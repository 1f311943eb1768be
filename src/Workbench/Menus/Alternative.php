<?php

declare(strict_types=1);

namespace Lantern\Workbench\Menus;

use Lantern\Core\Menu\Conflict;
use Lantern\Core\Menu\Move;

/** What somebody wanted of an entry at the same time as somebody else. It is kept until one of them chooses. */
final readonly class Alternative
{
    public function __construct(public string $id, public string $entryId, public Move $move, public string $person)
    {
    }

    public function conflict(): Conflict
    {
        return new Conflict($this->entryId, $this->move, true);
    }
}
