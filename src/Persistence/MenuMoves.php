<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Lantern\Core\Menu\Move;

/** The moves that an edit of other things makes in menus, with what leads back from each. */
final class MenuMoves
{
    /** @var array<string, array{version: int, inverse: array<string, mixed>}> by menu */
    private array $made = [];

    /** @param \Closure(string, Move): array{version: int, inverse: array<string, mixed>} $make */
    public function __construct(private readonly \Closure $make)
    {
    }

    /** At most one move a menu; several together are one. */
    public function make(string $menuId, Move $move): void
    {
        $this->made[$menuId] = ($this->make)($menuId, $move);
    }

    /** @return array<string, array{version: int, inverse: array<string, mixed>}> by menu: the version that the move led to, and the move that leads back from there, in the shape of MoveCodec */
    public function made(): array
    {
        return $this->made;
    }
}
