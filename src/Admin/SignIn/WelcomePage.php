<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Lantern\Admin\Http\Page;
use Lantern\Admin\Http\SecurityLog;
use Lantern\Core\NotThere;
use Lantern\Core\Refused;
use Lantern\Workbench\People\TeamEditor;
use Symfony\Component\HttpFoundation\RedirectResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;

/** Where an invitation leads: once. */
#[AsController]
final readonly class WelcomePage implements Page
{
    public function __construct(
        private AdminPages $pages,
        private TeamEditor $team,
        private SessionStart $start,
        private Attempts $attempts,
        private SecurityLog $log,
    ) {
    }

    #[Route('/welcome/{token}', name: 'welcome', requirements: ['token' => '[0-9a-f]{1,80}'], methods: ['GET', 'POST'])]
    public function welcome(string $token, Request $request): Response
    {
        if (!$this->attempts->mayFollowLink((string) $request->getClientIp())) {
            return $this->pages->ended('Too many attempts', 'Wait five minutes, then follow the link again. It still works.', 429);
        }
        try {
            $invited = $this->team->invitation($token);
        } catch (NotThere $ended) {
            $this->log->attempt('link-made-up');

            return $this->pages->ended('This invitation has ended', $ended->getMessage());
        }
        $data = ['invited' => $invited, 'token' => $token];
        if (!$request->isMethod('POST')) {
            return $this->pages->render('welcome', $data);
        }
        try {
            $this->team->accept($token, $this->pages->newPassword($request));
        } catch (Refused $refused) {
            return $this->pages->render('welcome', $data + ['error' => $refused->getMessage()], 422);
        } catch (NotThere $ended) {
            return $this->pages->ended('This invitation has ended', $ended->getMessage());
        }
        $this->start->signIn($request, $invited->mail);

        return new RedirectResponse('/', Response::HTTP_SEE_OTHER);
    }
}
