<?php

declare(strict_types=1);

namespace Lantern\Node\News;

/** Which release is live, as the database told it. */
final readonly class LiveVersion
{
    /**
     * @param string $release id; empty where nothing was published yet
     * @param string $horizon the oldest transaction that was still going on when it was asked (PostgreSQL, 9.83, xmin): whatever ended
     *            since is of this one or a later one
     */
    public function __construct(public string $release, public int $number, public string $horizon)
    {
    }

    /** @param string $words id, number and horizon, with spaces between */
    public static function parse(string $words): self
    {
        [$release, $number, $horizon] = explode(' ', $words) + ['', '0', ''];

        return new self($release, (int) $number, $horizon);
    }

    public function __toString(): string
    {
        return "{$this->release} {$this->number} {$this->horizon}";
    }
}
