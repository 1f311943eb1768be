<?php

declare(strict_types=1);

namespace Lantern\Workbench\MorningMail;

/** To be done by a worker: one person is told what broke since they were told the last time. */
final readonly class TellPersonOfTheMorning
{
    /** @param string $day such as 2026-03-01, in the shop's zone: once a day is enough */
    public function __construct(public string $personId, public string $day)
    {
    }
}
