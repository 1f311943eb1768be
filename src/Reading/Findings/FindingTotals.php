<?php

declare(strict_types=1);

namespace Lantern\Reading\Findings;

/** How the shop stands, in numbers; without what is set aside. */
final readonly class FindingTotals
{
    /**
     * @param int  $wrong    on the workbench
     * @param int  $broken   of these
     * @param int  $breaks   how many links and the like publishing would break
     * @param int  $visits   that would meet them, in 30 days
     * @param int  $mends    how many findings publishing would put right
     * @param int  $live     on live
     * @param int  $aside    set aside, on either
     * @param bool $isOfNow  whether everything was looked at that changed
     * @param int  $done     of a walk over everything that goes on
     * @param int  $of       of how many; 0 where none goes on
     */
    public function __construct(
        public int $wrong,
        public int $broken,
        public int $breaks,
        public int $visits,
        public int $mends,
        public int $live,
        public int $aside,
        public bool $isOfNow,
        public int $done,
        public int $of,
    ) {
    }
}
