<?php

declare(strict_types=1);

namespace Lantern\Reading\Outlines;

use Lantern\Core\Menu\Entry;
use Lantern\Core\Outline\OutlineLine;

/** A line of a menu that comes from elsewhere, with the places it could mean. */
final readonly class MatchedLine
{
    /**
     * @param Entry|null    $entry   as it would go in if nobody chose otherwise; null where that has to be said first
     * @param list<PlaceMatch> $matches surest first
     * @param Entry|null    $panel   the wide panel that it opens, as it would go in
     * @param string|null   $problem what is wrong with the line as it was written, and what was made of it
     */
    public function __construct(
        public OutlineLine $line,
        public int $level,
        public ?Entry $entry,
        public array $matches,
        public ?string $problem,
        public ?Entry $panel = null,
    ) {
    }
}
