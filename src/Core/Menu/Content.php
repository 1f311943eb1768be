<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** What a line is besides a link: a piece of a page or panel. Lines of plain menus have none. */
interface Content
{
    /** Whether both are the same piece, laid out the same way. */
    public function equals(self $other): bool;

    /** Whether its line is nothing without a label or a place to take one from. */
    public function needsLabel(): bool;

    /** Whether its line is nothing without something that it leads to. */
    public function needsTarget(): bool;

    /** Whether it may lead to any place. */
    public function canLeadElsewhere(): bool;
}
