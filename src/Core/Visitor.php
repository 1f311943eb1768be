<?php

declare(strict_types=1);

namespace Lantern\Core;

/** Who asks, and when: everything an answer of the storefront may depend on besides the address. */
final readonly class Visitor
{
    public function __construct(
        public bool $signedIn,
        public \DateTimeImmutable $moment,
    ) {
    }

    public static function guest(\DateTimeImmutable $moment): self
    {
        return new self(false, $moment);
    }

    public static function customer(\DateTimeImmutable $moment): self
    {
        return new self(true, $moment);
    }
}
