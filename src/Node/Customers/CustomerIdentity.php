<?php

declare(strict_types=1);

namespace Lantern\Node\Customers;

/**
 * How a visitor is known as a customer. Customers' accounts belong to the shop's own customer system; whatever that is, all that this
 * program asks is whether what a browser shows holds. It is judged before the framework starts, with every request that shows anything.
 */
interface CustomerIdentity
{
    /** The cookie that a browser shows (RFC 6265). */
    public function cookie(): string;

    /** @param string $token as the browser sent it; empty: none */
    public function holds(string $token, \DateTimeImmutable $now): bool;
}
