<?php

declare(strict_types=1);

namespace Lantern\Core\Outline;

use Lantern\Core\Place\Audience;
use Lantern\Core\Place\Opening;

/** One line of a menu that comes from elsewhere, before it is known what it leads to. */
final readonly class OutlineLine
{
    /**
     * @param int                       $number  of the line, or of the entry, counted from 1
     * @param int                       $level   counted from 1; never more than one below the line before it
     * @param string                    $lead    where it says it leads: an address of the shop, a URL, mailto:, tel:; empty: it only has a
     *            label
     * @param array<string, mixed>|null $filling how it fills itself, with addresses for places
     * @param array<string, mixed>|null $piece   what it is in a page or panel, with addresses for places; null: a link
     * @param list<self>                $panel   the wide panel that it opens, the panel itself first; empty: none
     */
    public function __construct(
        public int $number,
        public int $level,
        public string $label,
        public string $lead = '',
        public bool $enabled = true,
        public Audience $audience = Audience::Everyone,
        public Opening $opening = new Opening(),
        public bool $newTab = false,
        public string $note = '',
        public ?array $filling = null,
        public ?array $piece = null,
        public array $panel = [],
    ) {
    }
}
