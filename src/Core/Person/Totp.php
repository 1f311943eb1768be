<?php

declare(strict_types=1);

namespace Lantern\Core\Person;

/** Codes that a device makes of a secret and the time (RFC 6238, with HMAC-SHA-1, six digits and steps of thirty seconds). */
final readonly class Totp
{
    public const DIGITS = 6;
    private const STEP = 30;

    /** A clock may be a minute off (RFC 6238, 6). */
    private const STEPS_OFF = 2;
    private const BASE32 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    /** @param string $secret as bytes, 20 of them */
    public function __construct(private string $secret)
    {
    }

    /** @param string $encoded as base32 (RFC 4648, 6), spaces and small letters forgiven; null where it is none */
    public static function fromBase32(string $encoded): ?self
    {
        $encoded = strtoupper((string) preg_replace('/[\s=]+/', '', $encoded));
        if (1 !== preg_match('/^[A-Z2-7]{16,64}$/D', $encoded)) {
            return null;
        }
        $bits = '';
        foreach (str_split($encoded) as $letter) {
            $bits .= str_pad(decbin((int) strpos(self::BASE32, $letter)), 5, '0', \STR_PAD_LEFT);
        }
        $bytes = '';
        foreach (str_split($bits, 8) as $eight) {
            $bytes .= 8 === \strlen($eight) ? \chr((int) bindec($eight)) : '';
        }

        return new self($bytes);
    }

    public function base32(): string
    {
        $bits = '';
        foreach (str_split($this->secret) as $byte) {
            $bits .= str_pad(decbin(\ord($byte)), 8, '0', \STR_PAD_LEFT);
        }
        $letters = '';
        foreach (str_split($bits, 5) as $five) {
            $letters .= self::BASE32[(int) bindec(str_pad($five, 5, '0'))];
        }

        return $letters;
    }

    public function code(\DateTimeImmutable $moment, int $digits = self::DIGITS): string
    {
        return $this->at(self::step($moment), $digits);
    }

    /**
     * Which step of time a code is of; null where it is of none nearby, or of one that was used already.
     *
     * @param int $used the last step that a code was taken of: none is taken twice (RFC 6238, 5.2)
     */
    public function accepted(string $code, \DateTimeImmutable $moment, int $used = 0): ?int
    {
        $code = (string) preg_replace('/\s+/', '', $code);
        if (1 !== preg_match('/^\d{6}$/D', $code)) {
            return null;
        }
        $now = self::step($moment);
        $found = null;
        // Every step is looked at, whichever is right: the time that it takes tells nothing.
        for ($step = $now - self::STEPS_OFF; $step <= $now + self::STEPS_OFF; ++$step) {
            if (hash_equals($this->at($step, self::DIGITS), $code) && $step > $used) {
                $found = $step;
            }
        }

        return $found;
    }

    private static function step(\DateTimeImmutable $moment): int
    {
        return intdiv($moment->getTimestamp(), self::STEP);
    }

    /** RFC 4226, 5.3. */
    private function at(int $step, int $digits): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), $this->secret, true);
        $offset = \ord($hash[19]) & 0x0F;
        $number = unpack('N', substr($hash, $offset, 4));

        return str_pad(
            (string) ((\is_array($number) && \is_int($number[1]) ? $number[1] & 0x7FFFFFFF : 0) % 10 ** $digits),
            $digits,
            '0',
            \STR_PAD_LEFT,
        );
    }
}
