<?php

declare(strict_types=1);

namespace Lantern\Workbench\OutsideLinks;

/** What came of asking another web site once. */
final readonly class CheckedLink
{
    /**
     * @param int         $status   200 where it answers with something; 0 where no answer came
     * @param string|null $moved    where redirects for good lead
     * @param string      $why      what went wrong, in words
     * @param int         $patience how many seconds a host wants to be left alone; 0: as usual
     * @param string      $patient  which host that is: the last that was asked
     */
    public function __construct(
        public int $status,
        public ?string $moved,
        public bool $secure,
        public string $why,
        public int $patience = 0,
        public string $patient = '',
    ) {
    }
}
