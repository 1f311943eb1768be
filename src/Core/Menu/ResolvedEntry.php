<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** An entry as a visitor gets it. */
final readonly class ResolvedEntry
{
    /**
     * @param string|null         $href     null: a heading
     * @param string|null         $placeId  the place it leads to, where it leads to one
     * @param list<ResolvedEntry> $children
     * @param bool                $filled   whether a self-filling entry brought it
     */
    public function __construct(
        public string $id,
        public string $label,
        public ?string $href,
        public ?string $placeId,
        public bool $newTab,
        public array $children,
        public bool $filled = false,
    ) {
    }
}
