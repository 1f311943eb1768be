<?php

declare(strict_types=1);

namespace Lantern\Storefront;

use Lantern\Persistence\NodeMemory;

/**
 * Pages that were made once, kept on this node (APCu) and given again to whoever would get the same.
 * They are kept under the version of all that they show, so a release, or a word of the product system,
 * needs to throw nothing away; what is no longer asked for is pushed out by what is.
 */
final class KeptPages
{
    private const MOST_BYTES = 300_000;

    /** @return array{headers: array<string, string>, body: string, until: int}|null */
    public static function get(string $version, bool $signedIn, string $path): ?array
    {
        if (!NodeMemory::isThere()) {
            return null;
        }
        $kept = apcu_fetch(self::key($version, $signedIn, $path));

        /** @var array{headers: array<string, string>, body: string, until: int}|null */
        return \is_array($kept) ? $kept : null;
    }

    /** @param array<string, string> $headers */
    public static function keep(string $version, bool $signedIn, string $path, array $headers, string $body, \DateTimeImmutable $now, \DateTimeImmutable $until): void
    {
        $seconds = $until->getTimestamp() - $now->getTimestamp();
        if (NodeMemory::isThere() && $seconds > 0 && \strlen($body) <= self::MOST_BYTES) {
            apcu_store(self::key($version, $signedIn, $path), ['headers' => $headers, 'body' => $body, 'until' => $until->getTimestamp()], $seconds);
        }
    }

    private static function key(string $version, bool $signedIn, string $path): string
    {
        return "page.$version.".($signedIn ? 'customer' : 'guest').".$path";
    }
}
