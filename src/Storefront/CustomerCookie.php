<?php

declare(strict_types=1);

namespace Lantern\Storefront;

use Lantern\Node\CustomerToken;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Cookie;
use Symfony\Component\HttpFoundation\Request;

/**
 * Whether a visitor is signed in as a customer. Customers' accounts belong to the shop's own customer
 * system; this stand-in for it knows one made-up customer, so that everything that depends on the
 * audience can be seen.
 */
final readonly class CustomerCookie
{
    private const DAYS = 7;

    private CustomerToken $token;

    public function __construct(#[Autowire(env: 'APP_SECRET')] string $secret)
    {
        $this->token = new CustomerToken($secret);
    }

    public function isSignedIn(Request $request, \DateTimeImmutable $now): bool
    {
        return $this->token->holds($request->cookies->getString(CustomerToken::COOKIE), $now);
    }

    public function signIn(Request $request, \DateTimeImmutable $now): Cookie
    {
        $end = $now->modify('+'.self::DAYS.' days');

        return self::cookie($request, $this->token->until($end), $end->getTimestamp());
    }

    public function signOut(Request $request): Cookie
    {
        return self::cookie($request, '', 1);
    }

    private static function cookie(Request $request, string $value, int $expires): Cookie
    {
        return Cookie::create(CustomerToken::COOKIE, $value, $expires, '/', null, $request->isSecure(), true, false, Cookie::SAMESITE_LAX);
    }
}
