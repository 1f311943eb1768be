<?php

declare(strict_types=1);

namespace Lantern\Core\Answer;

use Lantern\Core\Address\Address;
use Lantern\Core\Place\Place;

/** What the storefront answers to a request, and how it came to it. */
final readonly class Answer
{
    /**
     * @param int          $status   HTTP status: 200, 301, 302, 307, 308, 400, 403, 404 or 410
     * @param Address|null $address  normal form of what was asked for; null where it has none
     * @param string|null  $location for a redirect: where the one hop leads, encoded, with its query
     * @param list<Step>   $trail
     * @param Place|null   $place    where the trail ends, if a place stands there, open or not
     */
    public function __construct(
        public int $status,
        public ?Address $address,
        public ?string $location,
        public array $trail,
        public ?Place $place,
    ) {
    }

    public function isRedirect(): bool
    {
        return null !== $this->location;
    }

    /** A visit that led nowhere and that nobody meant to end: it is worth counting. */
    public function isMissed(): bool
    {
        return 404 === $this->status;
    }
}
