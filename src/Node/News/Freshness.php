<?php

declare(strict_types=1);

namespace Lantern\Node\News;

use Lantern\Node\Memory\NodeMemory;

/**
 * What changed on live since this node began to look, as far as kept pages go by it (APCu). Keys are `p:` and the id of
 * a place, `l:` and what a list is of, `frame` for what stands around every page, `all`. Each change counts a clock of
 * this node one further; what was made before the last change of something that it shows is stale.
 */
final class Freshness
{
    /** No page is kept for longer, so what changed longer ago may be forgotten. In seconds. */
    public const LONGEST = 3600;

    private function __construct()
    {
    }

    /** The moment by the clock of this node; to be read before what is made reads anything. */
    public static function now(): Mark
    {
        if (!NodeMemory::isThere()) {
            return new Mark('', 0);
        }
        $clock = self::clock();

        return new Mark(self::epoch(), $clock);
    }

    /** @param list<string> $keys of what changed */
    public static function changed(array $keys): void
    {
        if ([] === $keys || !NodeMemory::isThere()) {
            return;
        }
        $now = self::tick();
        $stored = null !== $now
            && [] === apcu_store(
                array_fill_keys(array_map(static fn (string $key): string => "fresh.$key", $keys), $now),
                null,
                2 * self::LONGEST,
            );
        if (!$stored) {
            // Without room to note it in, nothing that was made before can be trusted.
            self::forget();
        }
    }

    /**
     * How often something changed. It never ends by itself, and where it was lost all the same and begins anew, so does the epoch: marks
     * by the one before would be later than all that it says.
     */
    private static function clock(): int
    {
        if (apcu_add('fresh.clock', 0)) {
            self::forget();
        }
        $clock = apcu_fetch('fresh.clock');

        return \is_int($clock) ? $clock : 0;
    }

    private static function tick(): ?int
    {
        self::clock();
        $now = apcu_inc('fresh.clock');

        return \is_int($now) ? $now : null;
    }

    /** From here on, nothing that was made before is fresh. */
    public static function forget(): void
    {
        if (NodeMemory::isThere()) {
            apcu_delete('fresh.epoch');
        }
    }

    /** @param list<string> $keys of all that was shown */
    public static function isFresh(Mark $made, array $keys): bool
    {
        if (!NodeMemory::isThere() || '' === $made->epoch || $made->epoch !== self::epoch()) {
            return false;
        }
        $changes = apcu_fetch(array_map(static fn (string $key): string => "fresh.$key", [...$keys, 'all']));
        foreach (\is_array($changes) ? $changes : [] as $at) {
            if ($at > $made->clock) {
                return false;
            }
        }

        return true;
    }

    /** Differs after a restart, and wherever what is known of changes was lost. */
    private static function epoch(): string
    {
        $epoch = apcu_fetch('fresh.epoch');
        if (!\is_string($epoch)) {
            apcu_add('fresh.epoch', bin2hex(random_bytes(6)));
            $epoch = apcu_fetch('fresh.epoch');
        }

        return \is_string($epoch) ? $epoch : '';
    }
}
