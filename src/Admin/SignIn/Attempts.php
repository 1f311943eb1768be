<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Lantern\Admin\Account\Account;
use Lantern\Core\Person\RecoveryCode;
use Psr\Cache\CacheItemPoolInterface;
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
        #[Autowire(service: 'limiter.factor_day')] private RateLimiterFactory $factorDay,
        #[Autowire(service: 'cache.rate_limiter')] private CacheItemPoolInterface $known,
        #[Autowire(env: 'APP_SECRET')] private string $secret,
    ) {
    }

    /**
     * A code of the second factor. Those of a device are six digits, and are counted for the person, too, so that many sessions are no
     * way round it, and for the day, so that patience is none: at a hundred a day, five of a million being right at a time, somebody who
     * has the password guesses one in two thousand days. Nobody guesses a recovery code: whoever is held back by a stranger comes in by
     * one of these, or from where they were before.
     */
    public function mayShowFactor(Account $account, #[\SensitiveParameter] string $code, string $network): bool
    {
        $may = $this->factorSession->create($account->session)->consume()->isAccepted();
        if (!RecoveryCode::looksLike($code) && !$this->known->getItem($this->knownKey($account, $network))->isHit()) {
            $may = self::both($may, $this->factorPerson->create($account->person->id)->consume()->isAccepted());
            $may = self::both($may, $this->factorDay->create($account->person->id)->consume()->isAccepted());
        }

        return $may;
    }

    /** Somebody showed the second factor: what others try does not hold them back from where they are. */
    public function factorShown(Account $account, string $network): void
    {
        $this->known->save(
            $this->known->getItem($this->knownKey($account, $network))
                ->set(true)
                ->expiresAfter(new \DateInterval(SignInLimiter::KNOWN_FOR)),
        );
    }

    private function knownKey(Account $account, string $network): string
    {
        return 'known-factor.'.substr(hash_hmac('sha256', "{$account->person->id} $network", $this->secret), 0, 32);
    }

    /** A letter with a link to a new password. */
    public function mayAskForLetter(string $mail, string $network): bool
    {
        return self::both(
            $this->letterNetwork->create($network)->consume()->isAccepted(),
            $this->letterPerson->create(hash('sha256', mb_strtolower(trim($mail))))->consume()->isAccepted(),
        );
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
