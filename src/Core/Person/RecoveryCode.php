<?php

declare(strict_types=1);

namespace Lantern\Core\Person;

use Random\Randomizer;

/** Lets in once whoever has lost the device that makes the codes. */
final class RecoveryCode
{
    /** So many are made together; those made before hold no longer. */
    public const BATCH_SIZE = 10;

    /** Without letters that are taken for one another. */
    private const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';

    /** @return list<string> such as kq7r-m2xw-8hfd: twelve letters of 31, which is 59 bits each */
    public static function batch(Randomizer $random): array
    {
        $codes = [];
        while (\count($codes) < self::BATCH_SIZE) {
            $letters = '';
            while (\strlen($letters) < 12) {
                $letters .= self::LETTERS[$random->getInt(0, \strlen(self::LETTERS) - 1)];
            }
            $codes[] = implode('-', str_split($letters, 4));
        }

        return $codes;
    }

    /** Whether something was typed as one of these, and not as the digits that a device shows. */
    public static function looksLike(string $code): bool
    {
        return 12 === \strlen((string) preg_replace('/[^0-9a-z]/i', '', $code));
    }

    /** What is kept of one, however it was typed. There is nothing to guess at: it is as random as a key. */
    public static function hash(string $code): string
    {
        return hash('sha256', strtolower((string) preg_replace('/[^0-9a-z]/i', '', $code)));
    }
}
