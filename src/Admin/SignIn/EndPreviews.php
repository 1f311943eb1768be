<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Lantern\Admin\Preview\Previews;
use Lantern\Workbench\People\Previews as OpenPreviews;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Security\Http\Event\LogoutEvent;

/** Whoever signs out leaves no window open through which the workbench can be seen. */
#[AsEventListener(priority: 100)]
final readonly class EndPreviews
{
    public function __construct(private OpenPreviews $previews)
    {
    }

    public function __invoke(LogoutEvent $event): void
    {
        $key = $event->getRequest()->hasSession() ? $event->getRequest()->getSession()->get(Previews::KEY) : null;
        if (\is_string($key)) {
            $this->previews->end($key);
        }
    }
}
