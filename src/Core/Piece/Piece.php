<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Menu\Content;

/** A piece, or what pieces stand in, by itself: without where it stands, its label, and what stands below it. */
abstract readonly class Piece implements Content
{
    abstract public function kind(): PieceKind;

    public function needsLabel(): bool
    {
        return $this->kind()->needsLabel();
    }

    public function needsTarget(): bool
    {
        return match (true) {
            $this instanceof Products => ProductSource::Place === $this->source,
            $this instanceof Cards => $this->ofChildren,
            default => \in_array($this->kind(), [PieceKind::Button, PieceKind::Product, PieceKind::File], true),
        };
    }

    public function canLeadElsewhere(): bool
    {
        return \in_array($this->kind(), [PieceKind::Heading, PieceKind::Picture, PieceKind::Button], true);
    }

    public function equals(Content $other): bool
    {
        return $other instanceof static && self::values($this) === self::values($other);
    }

    /** @return array<string, mixed> */
    private static function values(self $piece): array
    {
        return array_map(
            static fn (mixed $value): mixed => $value instanceof Colours || $value instanceof Ground ? $value->values() : $value,
            get_object_vars($piece),
        );
    }
}
