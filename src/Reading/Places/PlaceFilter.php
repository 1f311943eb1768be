<?php

declare(strict_types=1);

namespace Lantern\Reading\Places;

use Lantern\Core\Place\Light;
use Lantern\Core\Place\PlaceKind;

/** What the table of places is narrowed to, and in which order it is shown. */
final readonly class PlaceFilter
{
    public const ORDERS = ['title', 'address', 'kind', 'changed'];

    /**
     * @param string      $words    each of which stands in the title, the address or the kind
     * @param string|null $parentId of the group, category or journal that they stand below
     * @param bool|null   $listed   whether search engines may list them; null: either
     * @param bool        $inNoMenu that no menu leads to
     * @param bool        $nowhere  that open, but that nothing in the shop leads to
     * @param string      $order    one of ORDERS
     */
    public function __construct(
        public string $words = '',
        public ?PlaceKind $kind = null,
        public ?Light $light = null,
        public ?string $parentId = null,
        public ?bool $listed = null,
        public bool $inNoMenu = false,
        public bool $nowhere = false,
        public string $order = 'title',
        public bool $descending = false,
    ) {
    }
}
