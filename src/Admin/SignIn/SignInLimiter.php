<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Psr\Cache\CacheItemPoolInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\RateLimiter\RequestRateLimiterInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\RateLimiter\RateLimit;
use Symfony\Component\RateLimiter\RateLimiterFactory;

/**
 * Slows down whoever tries passwords: on one account from one network, on one account from many, on many
 * accounts from one. Every attempt counts before its password is looked at, so that many at once are no way
 * round it. Whoever signed in from a network before is not locked out by what others try, there or elsewhere.
 */
final readonly class SignInLimiter implements RequestRateLimiterInterface
{
    public const KNOWN_FOR = 'P30D';

    public function __construct(
        #[Autowire(service: 'limiter.sign_in_pair')] private RateLimiterFactory $pair,
        #[Autowire(service: 'limiter.sign_in_account')] private RateLimiterFactory $account,
        #[Autowire(service: 'limiter.sign_in_network')] private RateLimiterFactory $network,
        #[Autowire(service: 'cache.rate_limiter')] private CacheItemPoolInterface $known,
        #[Autowire(env: 'APP_SECRET')] private string $secret,
    ) {
    }

    public function consume(Request $request): RateLimit
    {
        [$pair, $account, $network] = $this->keys($request);
        $limits = [$this->pair->create($pair)->consume()];
        if (!$this->known->getItem("known.$pair")->isHit()) {
            array_push($limits, $this->account->create($account)->consume(), $this->network->create($network)->consume());
        }
        usort(
            $limits,
            static fn (RateLimit $one, RateLimit $other): int => [
                $one->isAccepted(),
                $one->getRemainingTokens(),
            ] <=> [$other->isAccepted(), $other->getRemainingTokens()],
        );

        return $limits[0];
    }

    /** Called when somebody signed in: what they mistyped before is forgotten. */
    public function reset(Request $request): void
    {
        [$pair] = $this->keys($request);
        $this->pair->create($pair)->reset();
        $this->known->save($this->known->getItem("known.$pair")->set(true)->expiresAfter(new \DateInterval(self::KNOWN_FOR)));
    }

    /** @return array{string, string, string} without saying who it is about */
    private function keys(Request $request): array
    {
        $name = $request->request->all()['mail'] ?? '';
        $name = \is_string($name) ? mb_strtolower(trim($name)) : '';
        $network = (string) $request->getClientIp();
        $key = fn (string $of): string => substr(hash_hmac('sha256', $of, $this->secret), 0, 32);

        return [$key("$name@@$network"), $key("account $name"), $key("network $network")];
    }
}
