<?php

declare(strict_types=1);

namespace Lantern\Reading\Pieces;

/** A sign-up of the footer, and one of a page with the same list: whoever reads that page meets both. */
final readonly class SignUpTwice
{
    /**
     * @param string $entryId of the one in the footer
     * @param string $menuId  of the page
     * @param string $otherId of the one in the page
     * @param int    $version of the page's layout
     * @param int    $ownVersion of the column of the footer
     */
    public function __construct(
        public string $entryId,
        public string $menuId,
        public string $otherId,
        public int $version,
        public int $ownVersion,
        private string $page,
        private string $list,
    ) {
    }

    public function words(): string
    {
        return "“{$this->page}” has a sign-up of its own for “{$this->list}”, and this one below it.";
    }
}
