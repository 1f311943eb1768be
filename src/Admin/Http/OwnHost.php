<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\KernelEvents;

/** The management interface answers under its own name only, so that no other ever stands in a link of it (RFC 9110, 7.4). */
#[AsEventListener(event: KernelEvents::REQUEST, priority: 2048)]
final readonly class OwnHost
{
    public function __construct(#[Autowire(env: 'LANTERN_ADMIN_URL')] private string $adminUrl)
    {
    }

    public function __invoke(RequestEvent $event): void
    {
        $own = (string) preg_replace('~^https?://|/.*$~D', '', $this->adminUrl);
        try {
            $asked = $event->getRequest()->getHttpHost();
            // A port is written in one way.
            $asked = 1 === preg_match('/:0\d*$/D', $event->getRequest()->headers->get('Host') ?? '') ? '' : $asked;
        } catch (\UnexpectedValueException) {
            $asked = '';
        }
        if ($asked !== strtolower($own) && Health::PATH !== $event->getRequest()->getPathInfo() && !Metrics::mayAsk($event->getRequest())) {
            $event->setResponse(new Response(
                'This is not the address of the management interface.',
                421,
                ['Content-Type' => 'text/plain'],
            ));
        }
    }
}
