<?php

declare(strict_types=1);

namespace Lantern\Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use Lantern\Core\Moment;
use Lantern\Core\Refused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MomentTest extends TestCase
{
    use TestTrait;

    #[DataProvider('typed')]
    public function testWhatIsTypedIsMeantInTheShopsTimeZoneAndKeptInUtc(string $typed, string $zone, string $kept): void
    {
        self::assertSame($kept, Moment::parse($typed, 'until', new \DateTimeZone($zone))->format(\DATE_ATOM));
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function typed(): iterable
    {
        yield 'a day' => ['2027-03-01', 'UTC', '2027-03-01T00:00:00+00:00'];
        yield 'a day east of Greenwich' => ['2027-03-01', 'Europe/Athens', '2027-02-28T22:00:00+00:00'];
        yield 'a day in summer time' => ['2027-07-01', 'Europe/London', '2027-06-30T23:00:00+00:00'];
        yield 'a time of day' => ['2027-03-01T09:30', 'Europe/Athens', '2027-03-01T07:30:00+00:00'];
        yield 'an offset wins over the zone' => ['2027-03-01T09:30:00+05:30', 'Europe/Athens', '2027-03-01T04:00:00+00:00'];
        yield 'Z' => ['2027-03-01T09:30:00Z', 'Europe/Athens', '2027-03-01T09:30:00+00:00'];
        yield 'parts of a second fall away' => ['2027-03-01T09:30:00.999Z', 'UTC', '2027-03-01T09:30:00+00:00'];
        yield 'the first year' => ['0001-01-01T00:00:00Z', 'UTC', '0001-01-01T00:00:00+00:00'];
        yield 'the last second' => ['9999-12-31T23:59:59Z', 'UTC', '9999-12-31T23:59:59+00:00'];
        yield 'the hour that a spring night has not is meant an hour later' => [
            '2027-03-28T02:30',
            'Europe/Berlin',
            '2027-03-28T01:30:00+00:00',
        ];
        yield 'of the hour that an autumn night has twice, the second' => [
            '2027-10-31T02:30',
            'Europe/Berlin',
            '2027-10-31T01:30:00+00:00',
        ];
        yield 'midnight half a day ahead' => ['2027-01-01', 'Pacific/Auckland', '2026-12-31T11:00:00+00:00'];
        yield 'midnight half a day behind' => ['2027-01-01', 'Etc/GMT+12', '2027-01-01T12:00:00+00:00'];
        yield 'a leap day' => ['2028-02-29', 'UTC', '2028-02-29T00:00:00+00:00'];
    }

    #[DataProvider('notThere')]
    public function testWhatIsNoMomentIsRefused(string $typed, string $zone = 'UTC'): void
    {
        try {
            Moment::parse($typed, 'until', new \DateTimeZone($zone));
            self::fail("$typed was taken.");
        } catch (Refused $refused) {
            self::assertSame('until', $refused->field);
        }
    }

    /** @return iterable<int, array{0: string, 1?: string}> */
    public static function notThere(): iterable
    {
        foreach ([
            '',
            'tomorrow',
            'now',
            '+1 day',
            '@253402300800',
            '0000-00-00',
            '2026-02-30',
            '2026-13-01',
            '2027-02-29',
            '2026-02-28T24:00',
            '2026-02-28T12:60',
            '99999-01-01',
            '2026-2-1',
            '01.03.2027',
            "2026-02-01\n",
            "2026-02-01\0",
            '2026-02-01T09:00 Europe/Paris',
            '0000-12-31T23:00:00Z',
            '9999-12-31T23:00:00-05:00',
            '0001-01-01T00:00:00+01:00',
        ] as $typed) {
            if ('2026-02-01' !== trim($typed)) {
                yield [$typed];
            }
        }
        yield ['9999-12-31T20:00', 'America/New_York'];
    }

    public function testItsLastDayIsOverWhenThatDayIs(): void
    {
        self::assertSame(
            '2027-03-31T23:00:00+00:00',
            Moment::afterDay('2027-03-31', 'until', new \DateTimeZone('Europe/London'))->format(\DATE_ATOM),
            'summer time begins in between',
        );
        self::assertSame(
            '2027-03-28T23:00:00+00:00',
            Moment::afterDay('2027-03-28', 'until', new \DateTimeZone('Europe/London'))->format(\DATE_ATOM),
            'a day of 23 hours',
        );
        $this->expectException(Refused::class);
        Moment::afterDay('9999-12-31', 'until', new \DateTimeZone('UTC'));
    }

    public function testWhatIsKeptIsTypedBackAsTheSame(): void
    {
        $this->forAll(
            Generators::choose(-62135596800, 253402300799),
            Generators::elements('UTC', 'Pacific/Apia', 'America/St_Johns', 'Asia/Kathmandu'),
        )->then(static function (int $stamp, string $zone): void {
            $moment = (new \DateTimeImmutable("@$stamp"))->setTimezone(new \DateTimeZone($zone));
            $kept = Moment::kept($moment, 'at');
            self::assertTrue(Moment::same($moment, $kept));
            self::assertTrue(Moment::same($kept, Moment::parse($kept->format(\DATE_ATOM), 'at', new \DateTimeZone($zone))));
        });
    }
}
