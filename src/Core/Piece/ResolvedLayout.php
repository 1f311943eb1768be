<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Menu\LeftOut;

/** What a visitor gets of a page's body or of a wide panel, and what was left out of it on the way. */
final readonly class ResolvedLayout
{
    /**
     * @param list<ResolvedPiece>     $pieces     bands; for a panel the panel itself, or nothing where nothing is left of it
     * @param list<LeftOut>           $leftOut
     * @param \DateTimeImmutable|null $nextChange the first later moment at which a date could change this answer
     */
    public function __construct(public array $pieces, public array $leftOut, public ?\DateTimeImmutable $nextChange)
    {
    }

    /** @return list<ResolvedPiece> every one, in the order it is read */
    public function all(): array
    {
        $all = [];
        foreach ($this->pieces as $piece) {
            foreach ($piece->all() as $one) {
                $all[] = $one;
            }
        }

        return $all;
    }

    /** @return list<string> ids of all places that it leads to or shows */
    public function placeIds(): array
    {
        $ids = [];
        foreach ($this->all() as $piece) {
            $ids[] = $piece->place?->id;
            $ids = [...$ids, ...$piece->placeIds];
            foreach ($piece->links as $link) {
                $ids = [...$ids, $link->placeId, ...array_map(static fn ($below): ?string => $below->placeId, $link->children)];
            }
        }

        return array_values(array_unique(array_filter($ids, \is_string(...))));
    }
}
