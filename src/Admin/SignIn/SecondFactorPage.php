<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Page;
use Lantern\Admin\Http\SecurityLog;
use Lantern\Core\Person\SignInLevel;
use Lantern\Workbench\People\OwnSessions;
use Lantern\Workbench\People\SecondFactors;
use Symfony\Component\HttpFoundation\RedirectResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Where whoever has typed the password shows the second factor. */
#[AsController]
final readonly class SecondFactorPage implements Page
{
    public function __construct(
        private AdminPages $pages,
        private SecondFactors $factors,
        private OwnSessions $sessions,
        private SessionStart $start,
        private Attempts $attempts,
        private SecurityLog $log,
    ) {
    }

    #[Route('/second-factor', name: 'second_factor', methods: ['GET', 'POST'])]
    public function show(Request $request, #[CurrentUser] Account $account): Response
    {
        if (!$request->isMethod('POST')) {
            return $this->pages->render('second_factor');
        }
        if (!$this->pages->isOwn($request)) {
            return $this->pages->render('second_factor', ['error' => 'This page was too old. Type the code again.'], 422);
        }
        if (!$this->attempts->mayShowFactor($account, AdminPages::field($request, 'code'), (string) $request->getClientIp())) {
            $this->log->attempt('factor-held-back');

            return $this->pages->render('second_factor', ['error' => 'Too many attempts. Wait five minutes, then try again.'], 429);
        }
        if (!$this->factors->accept($account->person->id, AdminPages::field($request, 'code'))) {
            $this->log->attempt('factor-wrong');

            return $this->pages->render(
                'second_factor',
                ['error' => 'This code does not fit. Take the one that your device shows now; each works once, and its clock may be off by '
                    .'a minute at most.'],
                422,
            );
        }
        $this->attempts->factorShown($account, (string) $request->getClientIp());
        $this->sessions->show($account->session);
        $this->start->goOn($request, $account, $account->person, SignInLevel::Whole);

        return new RedirectResponse('/', Response::HTTP_SEE_OTHER);
    }
}
