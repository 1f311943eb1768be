<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Core\Release\CopyName;
use Lantern\Core\Visitor;
use Psr\Clock\ClockInterface;
use Symfony\Component\Console\Exception\InvalidOptionException;

/** Reads the options that say with whose eyes to look, at which copy, and when. */
final readonly class Looking
{
    public function __construct(private ClockInterface $clock)
    {
    }

    public function copy(string $copy): CopyName
    {
        return CopyName::tryFrom($copy) ?? throw new InvalidOptionException('--copy is live or workbench.');
    }

    public function visitor(string $audience, string $at): Visitor
    {
        if (!\in_array($audience, ['guest', 'customer'], true)) {
            throw new InvalidOptionException('--audience is guest or customer.');
        }
        try {
            $moment = '' === $at ? $this->clock->now() : new \DateTimeImmutable($at);
        } catch (\Exception) {
            throw new InvalidOptionException('--at is a moment in ISO 8601, such as 2026-03-01T09:00:00Z.');
        }

        return new Visitor('customer' === $audience, $moment);
    }
}
