<?php

declare(strict_types=1);

namespace Lantern\Core\Shop;

/** How far a new shop has come. */
final readonly class FirstFacts
{
    /**
     * @param bool $saysWhoItIs          whether company, mail address and street are known
     * @param int  $policies             how many stand on the workbench
     * @param int  $writtenPages         how many pages of the workbench have words or pieces
     * @param bool $headerHasEntries     whether a menu with entries hangs in the header of the workbench
     * @param bool $liveHeaderHasEntries whether visitors see one
     */
    public function __construct(
        public bool $saysWhoItIs,
        public int $policies,
        public int $writtenPages,
        public bool $headerHasEntries,
        public bool $liveHeaderHasEntries,
    ) {
    }
}
