<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Menu\ResolvedEntry;
use Lantern\Core\Place\Place;

/** A band, column or piece as a visitor gets it. */
final readonly class ResolvedPiece
{
    /**
     * @param string|null         $href     where it leads, without the prefix of a preview; null: nowhere
     * @param Place|null          $place    the place it leads to, where it leads to one
     * @param list<ResolvedPiece> $children
     * @param list<ResolvedEntry> $links    for a list of links
     * @param list<string>        $placeIds for products and cards: what is shown, in its order
     */
    public function __construct(
        public string $id,
        public Piece $piece,
        public string $label,
        public ?string $href,
        public ?Place $place,
        public bool $newTab,
        public array $children = [],
        public array $links = [],
        public array $placeIds = [],
    ) {
    }

    public function kind(): PieceKind
    {
        return $this->piece->kind();
    }

    /** @param list<ResolvedPiece> $children */
    public function withChildren(array $children): self
    {
        return new self(
            $this->id,
            $this->piece,
            $this->label,
            $this->href,
            $this->place,
            $this->newTab,
            $children,
            $this->links,
            $this->placeIds,
        );
    }

    /** @return iterable<ResolvedPiece> it and all below it */
    public function all(): iterable
    {
        yield $this;
        foreach ($this->children as $child) {
            yield from $child->all();
        }
    }
}
