<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Lantern\Reading\Sql\Away;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;

/** While the database is away nobody can be asked whether a session holds: that is no reason to end it, wherever its contents are kept. */
#[AsEventListener(priority: 64)]
final readonly class SignedInThroughOutages
{
    /** By this the firewall knows that it may write what it found into the session; having found nobody, it would take them out. */
    private const MAY_WRITE = '_security_firewall_run';

    public function __invoke(ExceptionEvent $event): void
    {
        if (Away::explains($event->getThrowable())) {
            $event->getRequest()->attributes->remove(self::MAY_WRITE);
        }
    }
}
