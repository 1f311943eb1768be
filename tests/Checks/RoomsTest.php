<?php

declare(strict_types=1);

namespace Lantern\Tests\Checks;

use Lantern\Tests\Walls;
use PHPUnit\Framework\TestCase;

/** What the walls know of rooms is what there is, and goes round nowhere. */
final class RoomsTest extends TestCase
{
    public function testEveryRoomHasItsWall(): void
    {
        foreach (Walls::ROOMS as $layer => $rooms) {
            $folders = array_values(array_unique(array_map(
                static fn (string $file): string => basename(\dirname($file)),
                glob(\dirname(__DIR__, 2)."/src/$layer/*/*.php") ?: [],
            )));
            $walled = array_keys($rooms);
            sort($walled);
            self::assertSame($folders, $walled, $layer);
        }
    }

    public function testNoRoomIsReachedFromItself(): void
    {
        foreach (Walls::ROOMS as $layer => $rooms) {
            $below = [];
            // Each is written after those that it looks into.
            foreach ($rooms as $room => $known) {
                self::assertSame(
                    [],
                    array_diff($known, $below),
                    "$layer/$room looks into a room that is written after it: put it after that, or break the circle",
                );
                $below[] = $room;
            }
        }
    }
}
