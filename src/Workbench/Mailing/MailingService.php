<?php

declare(strict_types=1);

namespace Lantern\Workbench\Mailing;

/** What the shop sends its letters with, somewhere else. */
interface MailingService
{
    /**
     * @param string $eventId the same where one thing is told once more
     *
     * @throws \RuntimeException where it did not hear; it is told again later
     */
    public function tell(string $eventId, TellService $event): void;
}
