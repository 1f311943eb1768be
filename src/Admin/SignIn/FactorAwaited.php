<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Lantern\Admin\Account\Account;
use Lantern\Core\Person\SignInLevel;
use Symfony\Component\HttpFoundation\RedirectResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Http\Authorization\AccessDeniedHandlerInterface;

/** Leads whoever has typed the password on to the second factor, and whoever has shown it to the views. */
final readonly class FactorAwaited implements AccessDeniedHandlerInterface
{
    public function __construct(private TokenStorageInterface $tokens)
    {
    }

    public function handle(Request $request, AccessDeniedException $accessDeniedException): ?Response
    {
        $account = $this->tokens->getToken()?->getUser();
        if (!$account instanceof Account) {
            return null;
        }

        return new RedirectResponse(SignInLevel::FactorAwaited === $account->standing ? '/second-factor' : '/');
    }
}
