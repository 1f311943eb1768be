<?php

declare(strict_types=1);

namespace Lantern\Workbench\Edits;

use Lantern\Core\Menu\Move;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;

/** What the log of edits wants of the menus, which have a log of their own, where the moves of several people are merged. */
interface MenuHistory
{
    /**
     * Makes a move as part of an edit of something else, which is taken back with that and not by itself.
     *
     * @throws Refused|NotThere
     */
    public function applyAsPartOfEdit(string $menuId, Move $move, Actor $by): MenuReversal;

    /**
     * Takes back what `applyAsPartOfEdit()` did, whatever others did in the menu meanwhile; or makes it again, by the way back from that.
     *
     * @return MenuReversal from here
     *
     * @throws Refused|NotThere
     */
    public function revertPartOfEdit(string $menuId, MenuReversal $back, Actor $by): MenuReversal;

    /**
     * Takes back the last step of a person in a menu.
     *
     * @throws Refused|NotThere
     */
    public function undoStep(string $menuId, Actor $by): void;

    /**
     * Makes the step again that a person took back last.
     *
     * @throws Refused|NotThere
     */
    public function redoStep(string $menuId, Actor $by): void;
}
