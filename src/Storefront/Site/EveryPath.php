<?php

declare(strict_types=1);

namespace Lantern\Storefront\Site;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\KernelEvents;

/** The storefront owns its whole path space: there are no routes, and addresses need not even be UTF-8 to be answered. */
#[AsEventListener(event: KernelEvents::REQUEST, priority: 64)]
final class EveryPath
{
    public function __invoke(RequestEvent $event): void
    {
        $event->getRequest()->attributes->set('_controller', StorefrontController::class);
    }
}
