<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Lantern\Admin\Account\Account;
use Lantern\Core\Person\SignInLevel;
use Lantern\Workbench\People\OwnSessions;
use Lantern\Workbench\People\Person;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Security\Core\Authentication\Token\UsernamePasswordToken;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;
use Symfony\Component\Security\Http\Event\LogoutEvent;

/** Each sign-in is a session of somebody's own, from its first page to its end. */
final readonly class SessionStart
{
    private const FIREWALL = 'main';

    public function __construct(private OwnSessions $sessions, private SignedInPeople $people, private TokenStorageInterface $tokens)
    {
    }

    #[AsEventListener]
    public function begin(LoginSuccessEvent $event): void
    {
        $account = $event->getUser();
        if ($account instanceof Account) {
            $event->getAuthenticatedToken()->setUser($this->begun($event->getRequest(), $account->person, $account->standing));
        }
    }

    /** Signs in whoever has just set a password by a link, which is as good as typing it. */
    public function signIn(Request $request, string $mail): void
    {
        $account = $this->people->loadUserByIdentifier($mail);
        if ($account instanceof Account) {
            $this->put($request, $this->begun($request, $account->person, $account->standing));
        }
    }

    /** The session goes on as somebody who may do more, or whose password is another one, under a new id. */
    public function goOn(Request $request, Account $account, Person $person, SignInLevel $standing): void
    {
        $this->put($request, new Account($person, $standing, $account->session));
    }

    // After the firewall has made its answer.
    #[AsEventListener(priority: -90)]
    public function end(LogoutEvent $event): void
    {
        $account = $event->getToken()?->getUser();
        if ($account instanceof Account) {
            $this->sessions->forget($account->session);
        }
        // What the browser kept of answers goes; what was typed and could not be kept stays for whoever comes back.
        $event->getResponse()?->headers->set('Clear-Site-Data', '"cache"');
    }

    private function begun(Request $request, Person $person, SignInLevel $standing): Account
    {
        return new Account(
            $person,
            $standing,
            $this->sessions->begin($person, (string) $request->getClientIp(), $request->headers->get('User-Agent') ?? ''),
        );
    }

    private function put(Request $request, Account $account): void
    {
        $request->getSession()->migrate(true);
        $this->tokens->setToken(new UsernamePasswordToken($account, self::FIREWALL, $account->getRoles()));
    }
}
