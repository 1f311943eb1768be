<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\KernelEvents;
use Symfony\Component\Security\Csrf\CsrfToken;
use Symfony\Component\Security\Csrf\CsrfTokenManagerInterface;

/** A change needs the token that only pages of the management interface know, by whatever path it is asked for. */
#[AsEventListener(event: KernelEvents::REQUEST, priority: 4)]
final readonly class CsrfGuard
{
    public const ID = 'api';

    public function __construct(private CsrfTokenManagerInterface $tokens, private SecurityLog $log)
    {
    }

    public function __invoke(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if (!Routes::isApi($request) || $request->isMethodSafe()) {
            return;
        }
        if (!$this->tokens->isTokenValid(new CsrfToken(self::ID, $request->headers->get('X-CSRF-Token', '')))) {
            $this->log->attempt('forged-request', ['method' => $request->getMethod(), 'route' => Routes::name($request)]);
            $event->setResponse((new Problem(
                403,
                'This page is too old',
                'Reload the page, then make your change again. What was saved stays.',
            ))->response());
        }
    }
}
