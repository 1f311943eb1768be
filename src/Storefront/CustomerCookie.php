<?php

declare(strict_types=1);

namespace Lantern\Storefront;

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
    public const NAME = 'customer';
    private const DAYS = 7;

    public function __construct(#[Autowire(env: 'APP_SECRET')] private string $secret)
    {
    }

    public function isSignedIn(Request $request, \DateTimeImmutable $now): bool
    {
        return $this->isValid($request->cookies->getString(self::NAME), $now);
    }

    /** @param string $cookies the header Cookie (RFC 6265, 4.2.1) */
    public static function among(string $cookies): string
    {
        return 1 === preg_match('/(?:^|;\s*)'.self::NAME.'=([0-9A-Za-z._-]*)/', $cookies, $found) ? $found[1] : '';
    }

    /** @param string $cookie its value, as the browser sent it */
    public function isValid(string $cookie, \DateTimeImmutable $now): bool
    {
        [$until, $signature] = explode('.', $cookie, 2) + ['', ''];

        return ctype_digit($until) && (int) $until > $now->getTimestamp() && hash_equals($this->sign($until), $signature);
    }

    public function signIn(Request $request, \DateTimeImmutable $now): Cookie
    {
        $until = (string) ($now->getTimestamp() + self::DAYS * 86400);

        return Cookie::create(self::NAME, "$until.{$this->sign($until)}", (int) $until, '/', null, $request->isSecure(), true, false, Cookie::SAMESITE_LAX);
    }

    public function signOut(Request $request): Cookie
    {
        return Cookie::create(self::NAME, '', 1, '/', null, $request->isSecure(), true, false, Cookie::SAMESITE_LAX);
    }

    private function sign(string $until): string
    {
        return hash_hmac('sha256', "customer $until", $this->secret);
    }
}
