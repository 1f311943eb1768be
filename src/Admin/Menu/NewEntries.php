<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Position;

/** Entries that go into a menu together with the wide panels that they open. */
final readonly class NewEntries
{
    /**
     * @param list<Entry>          $entries
     * @param array<string, Entry> $panels
     */
    public function __construct(public array $entries, public array $panels, public Position $at)
    {
    }
}
