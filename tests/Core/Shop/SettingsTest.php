<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Shop;

use Lantern\Core\Shop\Settings;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SettingsTest extends TestCase
{
    #[DataProvider('zones')]
    public function testAZoneThatIsNoneIsUtc(string $typed, string $zone): void
    {
        self::assertSame($zone, (new Settings(['time_zone' => $typed]))->zone()->getName());
    }

    /** @return iterable<array{string, string}> */
    public static function zones(): iterable
    {
        yield ['Europe/London', 'Europe/London'];
        yield ['Asia/Kathmandu', 'Asia/Kathmandu'];
        yield ['', 'UTC'];
        yield ['+02:00', 'UTC'];
        yield ['Mars/Olympus', 'UTC'];
        yield ["Europe/London\n", 'UTC'];
    }
}
