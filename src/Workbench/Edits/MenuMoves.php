<?php

declare(strict_types=1);

namespace Lantern\Workbench\Edits;

use Lantern\Core\Menu\Move;
use Lantern\Core\Menu\Together;

/** The moves that an edit of other things makes in menus, with what leads back from each. */
final class MenuMoves
{
    /** @var array<string, MenuReversal> by menu */
    private array $made = [];

    /** @param \Closure(string, Move): MenuReversal $make */
    public function __construct(private readonly \Closure $make)
    {
    }

    /** Several moves in one menu are taken back as one, the last first. */
    public function make(string $menuId, Move $move): void
    {
        $before = $this->made[$menuId] ?? null;
        $made = ($this->make)($menuId, $move);
        $this->made[$menuId] = null === $before ? $made : new MenuReversal($made->version, new Together([$made->move, $before->move]));
    }

    /** @return array<string, MenuReversal> by menu */
    public function made(): array
    {
        return $this->made;
    }
}
