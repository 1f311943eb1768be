<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Person;

use Lantern\Core\Person\Totp;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class TotpTest extends TestCase
{
    /** The published vectors (RFC 6238, appendix B), those with SHA-1. */
    #[TestWith([59, '94287082'])]
    #[TestWith([1111111109, '07081804'])]
    #[TestWith([1111111111, '14050471'])]
    #[TestWith([1234567890, '89005924'])]
    #[TestWith([2000000000, '69279037'])]
    #[TestWith([20000000000, '65353130'])]
    public function testThePublishedVectors(int $seconds, string $code): void
    {
        self::assertSame($code, (new Totp('12345678901234567890'))->code(new \DateTimeImmutable("@$seconds"), 8));
    }

    public function testAClockMayBeAMinuteOffAndNotAnHour(): void
    {
        $totp = new Totp(random_bytes(20));
        $now = new \DateTimeImmutable('2027-01-01T12:00:10Z');
        foreach (['-60 seconds', '-30 seconds', '+0 seconds', '+60 seconds'] as $off) {
            self::assertNotNull($totp->accepted($totp->code($now->modify($off)), $now), $off);
        }
        foreach (['-91 seconds', '+91 seconds', '-1 hour', '+1 hour'] as $off) {
            self::assertNull($totp->accepted($totp->code($now->modify($off)), $now), $off);
        }
    }

    public function testACodeIsTakenOnce(): void
    {
        $totp = new Totp('12345678901234567890');
        $now = new \DateTimeImmutable('@1111111109');
        $step = $totp->accepted('081 804', $now);
        self::assertSame(37037036, $step);
        self::assertNull($totp->accepted('081804', $now, $step));
        self::assertNull($totp->accepted('081804 or so', $now));
        self::assertNull($totp->accepted('', $now));
    }

    public function testTheSecretIsWrittenAsBase32(): void
    {
        self::assertSame('GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ', (new Totp('12345678901234567890'))->base32());
        self::assertSame('94287082', Totp::fromBase32('gezd gnbv gy3t qojq gezd gnbv gy3t qojq')?->code(new \DateTimeImmutable('@59'), 8));
        self::assertNull(Totp::fromBase32('01890'));
    }
}
