<?php

declare(strict_types=1);

namespace Lantern\Node;

/**
 * What a browser shows to be known as a signed-in customer: the moment until which it holds, signed.
 * It is judged before the framework starts, so it needs nothing but the secret.
 */
final readonly class CustomerToken
{
    public const COOKIE = 'customer';

    public function __construct(#[\SensitiveParameter] private string $secret)
    {
    }

    /** @param string $cookies the header Cookie (RFC 6265, 4.2.1) */
    public static function among(string $cookies): string
    {
        return 1 === preg_match('/(?:^|;\s*)'.self::COOKIE.'=([0-9A-Za-z._-]*)/D', $cookies, $found) ? $found[1] : '';
    }

    public function until(\DateTimeImmutable $end): string
    {
        $until = (string) $end->getTimestamp();

        return "$until.{$this->sign($until)}";
    }

    /** @param string $token as the browser sent it; empty: none */
    public function holds(string $token, \DateTimeImmutable $now): bool
    {
        [$until, $signature] = explode('.', $token, 2) + ['', ''];

        return ctype_digit($until) && (int) $until > $now->getTimestamp() && hash_equals($this->sign($until), $signature);
    }

    private function sign(string $until): string
    {
        return hash_hmac('sha256', "customer $until", $this->secret);
    }
}
