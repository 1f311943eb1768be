<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** An entry of a menu. */
final readonly class EntryMention extends Mention
{
    /**
     * @param string       $spot  id of the entry
     * @param list<string> $trail labels of the entries above it, outermost first
     * @param string       $part  of the place that it leads to, a heading's; empty: the place
     */
    public function __construct(
        string $menu,
        ?string $menuId,
        public string $spot,
        public string $label,
        public array $trail = [],
        public string $part = '',
    ) {
        parent::__construct(MentionKind::Entry, $menu, $menuId);
    }
}
