<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Lantern\Admin\Http\SecurityLog;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Security\Core\Exception\TooManyLoginAttemptsAuthenticationException;
use Symfony\Component\Security\Http\Event\LoginFailureEvent;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;
use Symfony\Component\Security\Http\Event\LogoutEvent;

/** Who signed in, who tried, and who left. */
final readonly class SignInLog
{
    public function __construct(private SecurityLog $log)
    {
    }

    #[AsEventListener]
    public function succeeded(LoginSuccessEvent $event): void
    {
        $this->log->keep(
            'sign-in',
            ['as' => $event->getUser()->getUserIdentifier(), 'from' => (string) $event->getRequest()->getClientIp()],
        );
    }

    #[AsEventListener]
    public function failed(LoginFailureEvent $event): void
    {
        $name = $event->getRequest()->request->all()['mail'] ?? '';
        // Whoever types the password into the wrong field does not find it in a log.
        $name = \is_string($name) && str_contains($name, '@') ? $name : '';
        $isHeldBack = $event->getException() instanceof TooManyLoginAttemptsAuthenticationException;
        $this->log->attempt($isHeldBack ? 'sign-in-held-back' : 'sign-in-failed', [
            'as' => mb_substr(mb_scrub($name, 'UTF-8'), 0, 100),
            'from' => (string) $event->getRequest()->getClientIp(),
        ]);
    }

    #[AsEventListener]
    public function left(LogoutEvent $event): void
    {
        $this->log->keep('sign-out', ['as' => $event->getToken()?->getUserIdentifier() ?? '']);
    }
}
