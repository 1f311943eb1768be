<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Lantern\Admin\Http\CsrfGuard;
use Lantern\Admin\Http\Page;
use Lantern\Reading\Copies\Copies;
use Lantern\Workbench\Shop\FirstStart;
use Symfony\Component\HttpFoundation\RedirectResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Security\Csrf\CsrfTokenManagerInterface;
use Symfony\Component\Security\Http\Authentication\AuthenticationUtils;

/** The page that the management interface runs in, and the one where people sign in. */
#[AsController]
final readonly class Shell implements Page
{
    public function __construct(
        private AdminPages $pages,
        private CsrfTokenManagerInterface $csrf,
        private Copies $copies,
        private FirstStart $first,
    ) {
    }

    #[Route('/sign-in', name: 'sign_in', methods: ['GET', 'POST'])]
    public function signIn(AuthenticationUtils $attempt, TokenStorageInterface $tokens): Response
    {
        if (null !== $tokens->getToken()?->getUser()) {
            return new RedirectResponse('/');
        }
        if ($this->first->isAwaited()) {
            return new RedirectResponse('/first-start');
        }
        $error = $attempt->getLastAuthenticationError();

        return $this->pages->render('sign_in', [
            'mail' => $attempt->getLastUsername(),
            'error' => match (true) {
                null === $error => null,
                $error instanceof \Symfony\Component\Security\Core\Exception\TooManyLoginAttemptsAuthenticationException => 'Too many '
                    .'attempts. Wait five minutes, then try again.',
                default => 'The mail address and the password do not belong together. Check both and try again.',
            },
        ], null === $error ? 200 : 422);
    }

    #[Route('/sign-out', name: 'sign_out', methods: ['POST'])]
    public function signOut(): never
    {
        throw new \LogicException('The firewall answers this.');
    }

    #[Route('/{path}', name: 'shell', requirements: ['path' => '(?!api/|assets/).*'], methods: ['GET'], priority: -10)]
    public function shell(Request $request): Response
    {
        $nonce = base64_encode(random_bytes(18));
        $request->attributes->set('style_nonce', $nonce);

        return $this->pages->render(
            'shell',
            [
                'csrf' => $this->csrf->getToken(CsrfGuard::ID)->getValue(),
                'nonce' => $nonce,
                'zone' => $this->copies->workbench->settings->zone()->getName(),
            ],
        );
    }
}
