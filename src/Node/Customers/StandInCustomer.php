<?php

declare(strict_types=1);

namespace Lantern\Node\Customers;

/**
 * A stand-in for the customer system of a shop: it knows one made-up customer, so that everything that depends on the audience can be
 * seen. The token is the moment until which it holds, signed.
 */
final readonly class StandInCustomer implements CustomerIdentity
{
    public const COOKIE = 'customer';

    public function __construct(#[\SensitiveParameter] private string $secret)
    {
    }

    public function cookie(): string
    {
        return self::COOKIE;
    }

    public function until(\DateTimeImmutable $end): string
    {
        $until = (string) $end->getTimestamp();

        return "$until.{$this->sign($until)}";
    }

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
