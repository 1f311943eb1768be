<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Refused;

/** Distances, in pixels. */
final class Room
{
    public const MOST = 160;

    /** @throws Refused where a distance is none */
    public static function check(string $field, int ...$pixels): void
    {
        foreach ($pixels as $one) {
            if ($one < 0 || $one > self::MOST) {
                throw new Refused($field, \sprintf('A distance is from 0 to %d pixels; this one is %d.', self::MOST, $one));
            }
        }
    }
}
