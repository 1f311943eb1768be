<?php

declare(strict_types=1);

namespace Lantern\Admin;

use Lantern\Admin\View\Problem;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\KernelEvents;
use Symfony\Component\Security\Csrf\CsrfToken;
use Symfony\Component\Security\Csrf\CsrfTokenManagerInterface;

/** A change needs the token that only pages of the management interface know. */
#[AsEventListener(event: KernelEvents::REQUEST, priority: 4)]
final readonly class CsrfGuard
{
    public const ID = 'api';

    public function __construct(private CsrfTokenManagerInterface $tokens)
    {
    }

    public function __invoke(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if (!str_starts_with($request->getPathInfo(), '/api/') || $request->isMethodSafe()) {
            return;
        }
        if (!$this->tokens->isTokenValid(new CsrfToken(self::ID, $request->headers->get('X-CSRF-Token', '')))) {
            $event->setResponse((new Problem(403, 'This page is too old', 'Reload the page, then make your change again. What was saved stays.'))->response());
        }
    }
}
