<?php

declare(strict_types=1);

namespace Lantern\Workbench\Subscribers;

/** A mail address on a list. */
final readonly class Subscriber
{
    /** @param string $agreed to what, in the words that stood below the form */
    public function __construct(
        public string $id,
        public string $list,
        public string $address,
        public SubscriptionState $standing,
        public string $agreed,
        public \DateTimeImmutable $askedAt,
        public ?\DateTimeImmutable $confirmedAt,
    ) {
    }
}
