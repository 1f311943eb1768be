<?php

declare(strict_types=1);

namespace Lantern\Node\Http;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\Event\ResponseEvent;
use Symfony\Component\HttpKernel\KernelEvents;

/** Names each request, in its answer and in every line that is logged about it. */
final readonly class RequestId
{
    private const NAME = '_request_id';

    public function __construct(private RequestStack $requests)
    {
    }

    public function current(): string
    {
        $id = $this->requests->getMainRequest()?->attributes->get(self::NAME);

        return \is_string($id) ? $id : '';
    }

    #[AsEventListener(event: KernelEvents::REQUEST, priority: 4096)]
    public function give(RequestEvent $event): void
    {
        if ($event->isMainRequest()) {
            $event->getRequest()->attributes->set(self::NAME, bin2hex(random_bytes(8)));
        }
    }

    #[AsEventListener(event: KernelEvents::RESPONSE)]
    public function tell(ResponseEvent $event): void
    {
        $event->getResponse()->headers->set('X-Request-Id', $this->current());
    }
}
