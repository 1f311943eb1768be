<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Looks\Colour;

/** The colours of a band or panel, each as `#rrggbb`; null: as the shop has it everywhere. */
final readonly class Colours
{
    public function __construct(
        public ?Colour $heading = null,
        public ?Colour $text = null,
        public ?Colour $link = null,
        public ?Colour $pointed = null,
        public ?Colour $divider = null,
    ) {
    }

    /** @return array<string, string> those that are its own, by name */
    public function values(): array
    {
        return array_map(
            static fn (Colour $one): string => $one->hex(),
            array_filter([
                'heading' => $this->heading,
                'text' => $this->text,
                'link' => $this->link,
                'pointed' => $this->pointed,
                'divider' => $this->divider,
            ]),
        );
    }

    /** What is its own, before what another has. */
    public function over(self $other): self
    {
        return new self(
            $this->heading ?? $other->heading,
            $this->text ?? $other->text,
            $this->link ?? $other->link,
            $this->pointed ?? $other->pointed,
            $this->divider ?? $other->divider,
        );
    }
}
