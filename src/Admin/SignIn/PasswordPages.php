<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Lantern\Admin\Http\Page;
use Lantern\Admin\Http\SecurityLog;
use Lantern\Core\NotThere;
use Lantern\Core\Refused;
use Lantern\Workbench\People\PasswordWanted;
use Lantern\Workbench\People\TeamEditor;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Routing\Attribute\Route;

/** A new password for whoever has forgotten it, by a link in a letter. */
#[AsController]
final readonly class PasswordPages implements Page
{
    public function __construct(
        private AdminPages $pages,
        private TeamEditor $team,
        private Attempts $attempts,
        private MessageBusInterface $bus,
        private SecurityLog $log,
    ) {
    }

    /** Says the same whether or not somebody has the address, and takes as long. */
    #[Route('/password', name: 'password_forgotten', methods: ['GET', 'POST'])]
    public function forgotten(Request $request): Response
    {
        if (!$request->isMethod('POST')) {
            return $this->pages->render('password_forgotten');
        }
        if (!$this->pages->isOwn($request)) {
            return $this->pages->render('password_forgotten', ['error' => 'This page was too old. Type the address again.'], 422);
        }
        $mail = trim(AdminPages::field($request, 'mail'));
        if ('' === $mail || mb_strlen($mail) > 254 || !str_contains($mail, '@')) {
            return $this->pages->render(
                'password_forgotten',
                ['error' => 'This is no mail address. Write it like name@shop.example.'],
                422,
            );
        }
        if (!$this->attempts->mayAskForLetter($mail, (string) $request->getClientIp())) {
            return $this->pages->render(
                'password_forgotten',
                ['error' => 'This was asked for very often. Look for the letter that was sent, or wait a quarter of an hour.'],
                429,
            );
        }
        $this->log->attempt('password-asked', ['as' => mb_substr(mb_scrub($mail, 'UTF-8'), 0, 100)]);
        $this->bus->dispatch(new PasswordWanted($mail));

        return $this->pages->ended(
            'Look into your mail',
            'If somebody with this address works here, a letter with a link is on its way. The link works once, for an hour.',
            200,
        );
    }

    #[Route('/password/{token}', name: 'password_new', requirements: ['token' => '[0-9a-f]{1,80}'], methods: ['GET', 'POST'])]
    public function new(string $token, Request $request): Response
    {
        if (!$this->attempts->mayFollowLink((string) $request->getClientIp())) {
            return $this->pages->ended('Too many attempts', 'Wait five minutes, then follow the link again. It still works.', 429);
        }
        if (!$this->team->holdsPasswordLink($token)) {
            $this->log->attempt('link-made-up');

            return $this->pages->ended('This link has ended', 'It was used already, or is older than an hour. Ask for another one.');
        }
        if (!$request->isMethod('POST')) {
            return $this->pages->render('password_new', ['token' => $token]);
        }
        try {
            $this->team->setPassword($token, $this->pages->newPassword($request));
        } catch (Refused $refused) {
            return $this->pages->render('password_new', ['token' => $token, 'error' => $refused->getMessage()], 422);
        } catch (NotThere $ended) {
            return $this->pages->ended('This link has ended', $ended->getMessage());
        }

        return $this->pages->ended('Your password is changed', 'All your sessions have ended. Sign in with the new password.', 200);
    }
}
