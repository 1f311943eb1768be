<?php

declare(strict_types=1);

namespace Lantern\Storefront\Http;

use Lantern\Node\Customers\CustomerIdentity;
use Lantern\Node\Customers\StandInCustomer;
use Symfony\Component\HttpFoundation\Cookie;
use Symfony\Component\HttpFoundation\Request;

/**
 * Whether a visitor is signed in as a customer; and the made-up customer of the stand-in, where the shop has no customer system of its own.
 */
final readonly class CustomerCookie
{
    private const DAYS = 7;

    public function __construct(private CustomerIdentity $identity)
    {
    }

    public function isSignedIn(Request $request, \DateTimeImmutable $now): bool
    {
        $token = $request->cookies->all()[$this->identity->cookie()] ?? '';

        return \is_string($token) && $this->identity->holds($token, $now);
    }

    /** Whether the one customer that can sign in here is made up. */
    public function isStandIn(): bool
    {
        return $this->identity instanceof StandInCustomer;
    }

    public function signIn(Request $request, \DateTimeImmutable $now): ?Cookie
    {
        $end = $now->modify('+'.self::DAYS.' days');

        return $this->identity instanceof StandInCustomer
            ? $this->cookie($request, $this->identity->until($end), $end->getTimestamp())
            : null;
    }

    /** Ends it in this browser; where the customer system is the shop's own, it is told by its own page. */
    public function signOut(Request $request): Cookie
    {
        return $this->cookie($request, '', 1);
    }

    private function cookie(Request $request, string $value, int $expires): Cookie
    {
        return Cookie::create(
            $this->identity->cookie(),
            $value,
            $expires,
            '/',
            null,
            $request->isSecure(),
            true,
            false,
            Cookie::SAMESITE_LAX,
        );
    }
}
