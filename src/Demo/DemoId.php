<?php

declare(strict_types=1);

namespace Lantern\Demo;

/** Ids of the demo shop: of the form of a UUIDv7 (RFC 9562, 5.7), and the same on every machine. */
final class DemoId
{
    /** @param string $key such as `categories/papers` */
    public static function of(string $key): string
    {
        $hash = hash('sha256', "demo $key");

        return \sprintf(
            '019344a0-1c00-7%s-%x%s-%s',
            substr($hash, 0, 3),
            8 | (hexdec($hash[3]) & 3),
            substr($hash, 4, 3),
            substr($hash, 8, 12),
        );
    }
}
