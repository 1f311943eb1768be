<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\RateLimiter\RateLimiterFactory;

/** Holds back whoever guesses at codes and links, or has letters sent again and again. */
final readonly class Attempts
{
    public function __construct(
        #[Autowire(service: 'limiter.factor_session')] private RateLimiterFactory $factorSession,
        #[Autowire(service: 'limiter.factor_person')] private RateLimiterFactory $factorPerson,
        #[Autowire(service: 'limiter.letter_network')] private RateLimiterFactory $letterNetwork,
        #[Autowire(service: 'limiter.letter_person')] private RateLimiterFactory $letterPerson,
        #[Autowire(service: 'limiter.link_network')] private RateLimiterFactory $linkNetwork,
        #[Autowire(service: 'limiter.own_password')] private RateLimiterFactory $ownPassword,
    ) {
    }

    /** A code of the second factor; both count, so that many sessions are no way round it. */
    public function mayShowFactor(Account $account): bool
    {
        return self::both($this->factorSession->create($account->session)->consume()->isAccepted(), $this->factorPerson->create($account->person->id)->consume()->isAccepted());
    }

    /** A letter with a link to a new password. */
    public function mayAskForLetter(string $mail, string $network): bool
    {
        return self::both($this->letterNetwork->create($network)->consume()->isAccepted(), $this->letterPerson->create(hash('sha256', mb_strtolower(trim($mail))))->consume()->isAccepted());
    }

    /** Following a link that may be guessed. */
    public function mayFollowLink(string $network): bool
    {
        return $this->linkNetwork->create($network)->consume()->isAccepted();
    }

    /** The password of whoever is signed in, typed once more. */
    public function mayTypePassword(Account $account): bool
    {
        return $this->ownPassword->create($account->person->id)->consume()->isAccepted();
    }

    private static function both(bool $one, bool $other): bool
    {
        return $one && $other;
    }
}
