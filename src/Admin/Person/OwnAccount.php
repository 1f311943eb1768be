<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Admin\Http\SecurityLog;
use Lantern\Admin\SignIn\Attempts;
use Lantern\Admin\SignIn\SessionStart;
use Lantern\Admin\SignIn\SignedInPeople;
use Lantern\Core\NotThere;
use Lantern\Core\Person\SignInLevel;
use Lantern\Core\Person\WrongSecret;
use Lantern\Reading\Copies\Copies;
use Lantern\Workbench\People\HouseRules;
use Lantern\Workbench\People\OwnSession;
use Lantern\Workbench\People\OwnSessions;
use Lantern\Workbench\People\SecondFactors;
use Lantern\Workbench\People\TeamEditor;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What is one's own: the password, the second factor, and the browsers that one is signed in with. */
#[AsController]
final readonly class OwnAccount
{
    public function __construct(
        private Api $api,
        private TeamEditor $team,
        private OwnSessions $sessions,
        private SecondFactors $factors,
        private HouseRules $rules,
        private SignedInPeople $people,
        private SessionStart $start,
        private Attempts $attempts,
        private SecurityLog $log,
        private Copies $copies,
    ) {
    }

    #[Route('/api/account', name: 'account_own', methods: ['GET'])]
    #[OA\Get(
        path: '/api/account',
        summary: 'What is one\'s own',
        responses: [new OA\Response(response: 200, description: 'The account', content: new OA\JsonContent(ref: AccountView::class))],
    )]
    public function account(#[CurrentUser] Account $account): Response
    {
        return $this->api->json($this->view($account));
    }

    #[Route('/api/account/sessions/{id}', name: 'account_end_session', requirements: ['id' => Requirement::UUID], methods: ['DELETE'])]
    #[OA\Delete(
        path: '/api/account/sessions/{id}',
        summary: 'Signs out in another browser',
        responses: [new OA\Response(response: 200, description: 'The account', content: new OA\JsonContent(ref: AccountView::class))],
    )]
    public function end(string $id, #[CurrentUser] Account $account): Response
    {
        if (!$this->sessions->end($id, $account->person)) {
            throw new NotThere('This session has ended already.');
        }

        return $this->api->json($this->view($account));
    }

    #[Route('/api/account/password', name: 'account_password', methods: ['PUT'])]
    #[OA\Put(
        path: '/api/account/password',
        summary: 'Gives oneself another password; all other sessions end',
        responses: [new OA\Response(response: 200, description: 'The account', content: new OA\JsonContent(ref: AccountView::class))],
    )]
    public function password(#[Body] PasswordInput $input, Request $request, #[CurrentUser] Account $account): Response
    {
        $this->held('own-password', $this->attempts->mayTypePassword($account));
        $this->noting(
            'own-password',
            fn () => $this->team->changePassword($account->person->id, $input->old, $input->password, $account->session),
        );
        $this->goOn($request, $account);

        return $this->api->json($this->view($account));
    }

    #[Route('/api/account/second-factor', name: 'account_factor_begin', methods: ['POST'])]
    #[OA\Post(
        path: '/api/account/second-factor',
        summary: 'A secret for a device that makes codes; it holds once a code of it was typed',
        responses: [new OA\Response(response: 200, description: 'The secret', content: new OA\JsonContent(ref: FactorView::class))],
    )]
    public function beginFactor(#[Body] TypedPasswordInput $input, #[CurrentUser] Account $account): Response
    {
        // Whoever has to have one has typed the password just now.
        if (SignInLevel::WithoutFactor !== $account->standing) {
            $this->typed($input->password, $account);
        }
        $secret = $this->factors->begin($account->person->id)->base32();
        $shop = $this->copies->workbench->settings->name() ?: 'Gentle Lantern';
        $label = rawurlencode("$shop:{$account->person->mail}");

        return $this->api->json(new FactorView($secret, "otpauth://totp/$label?secret=$secret&issuer=".rawurlencode($shop)));
    }

    #[Route('/api/account/second-factor/code', name: 'account_factor_confirm', methods: ['POST'])]
    #[OA\Post(
        path: '/api/account/second-factor/code',
        summary: 'The first code of the device: from now on it is asked for',
        responses: [new OA\Response(
            response: 200,
            description: 'Codes for when the device is lost; they are shown once',
            content: new OA\JsonContent(ref: RecoveryCodesView::class),
        )],
    )]
    public function confirmFactor(#[Body] CodeInput $input, Request $request, #[CurrentUser] Account $account): Response
    {
        $this->held('factor', $this->attempts->mayShowFactor($account, $input->code, (string) $request->getClientIp()));
        $codes = $this->noting('factor', fn (): array => $this->factors->confirm($account->person->id, $input->code));
        $this->sessions->show($account->session);
        $this->sessions->endAll($account->person->id, $account->session);
        $this->goOn($request, $account);

        return $this->api->json(new RecoveryCodesView($codes));
    }

    #[Route('/api/account/second-factor', name: 'account_factor_remove', methods: ['DELETE'])]
    #[OA\Delete(
        path: '/api/account/second-factor',
        summary: 'No second factor any more',
        responses: [new OA\Response(response: 200, description: 'The account', content: new OA\JsonContent(ref: AccountView::class))],
    )]
    public function removeFactor(#[Body] TypedPasswordInput $input, #[CurrentUser] Account $account): Response
    {
        $this->typed($input->password, $account);
        $this->factors->remove($account->person->id, $account->actor());
        // Whoever may have the device, or had it, does not go on elsewhere.
        $this->sessions->endAll($account->person->id, $account->session);

        return $this->api->json($this->view($account));
    }

    #[Route('/api/account/recovery-codes', name: 'account_recovery_codes', methods: ['POST'])]
    #[OA\Post(
        path: '/api/account/recovery-codes',
        summary: 'New codes for when the device is lost; those before hold no longer',
        responses: [new OA\Response(
            response: 200,
            description: 'They are shown once',
            content: new OA\JsonContent(ref: RecoveryCodesView::class),
        )],
    )]
    public function renewCodes(#[Body] CodeInput $input, Request $request, #[CurrentUser] Account $account): Response
    {
        $this->held('factor', $this->attempts->mayShowFactor($account, $input->code, (string) $request->getClientIp()));

        return $this->api->json(new RecoveryCodesView($this->noting(
            'factor',
            fn (): array => $this->factors->renewCodes($account->person->id, $input->code),
        )));
    }

    private function typed(#[\SensitiveParameter] string $password, Account $account): void
    {
        $this->held('own-password', $this->attempts->mayTypePassword($account));
        $this->noting(
            'own-password',
            fn () => $this->team->isPassword(
                $account->person->id,
                $password,
            ) ?: throw new WrongSecret('password', 'This is not the password that you have now.'),
        );
    }

    /** @param 'own-password'|'factor' $secret what is typed */
    private function held(string $secret, bool $may): void
    {
        if (!$may) {
            $this->log->attempt("$secret-held-back");
            throw new TooManyRequestsHttpException(300, 'Too many attempts. Wait five minutes, then try again.');
        }
    }

    /**
     * Whoever has taken over a session and guesses leaves a trace.
     *
     * @template T
     *
     * @param 'own-password'|'factor' $secret
     * @param \Closure(): T           $act
     *
     * @return T
     */
    private function noting(string $secret, \Closure $act): mixed
    {
        try {
            return $act();
        } catch (WrongSecret $wrong) {
            $this->log->attempt("$secret-wrong");
            throw $wrong;
        }
    }

    /** The session stays, though what it was begun with has changed. */
    private function goOn(Request $request, Account $account): void
    {
        $now = $this->people->loadUserByIdentifier($account->person->mail);
        if ($now instanceof Account) {
            $this->start->goOn($request, $account, $now->person, SignInLevel::Whole);
        }
    }

    private function view(Account $account): AccountView
    {
        $person = $account->person;

        return new AccountView(
            $person->mail,
            $this->factors->has($person->id),
            $this->rules->requiresFactor(),
            $this->factors->codesLeft($person->id),
            array_map(
                static fn (OwnSession $one): OwnSessionView => new OwnSessionView(
                    $one->id,
                    $one->browser,
                    $one->network,
                    $one->begunAt->format(\DATE_ATOM),
                    $one->seenAt->format(\DATE_ATOM),
                    $one->id === $account->session,
                ),
                $this->sessions->of($person),
            ),
        );
    }
}
