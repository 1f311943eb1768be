<?php

declare(strict_types=1);

namespace Lantern\Core\Person;

use Lantern\Core\Refused;

/**
 * What a password has to be: long, and not one that everybody tries first (NIST SP 800-63B, 3.1.1.2). Nothing else is asked of it:
 * rules about kinds of characters make passwords alike.
 */
final class PasswordRule
{
    public const LEAST = 12;

    /** A sentence is welcome; more than this is a slip of the clipboard. */
    public const MOST = 256;

    /**
     * @param list<string> $known what others know of the person: name, mail address, the shop's name
     *
     * @throws Refused with what to do
     */
    public static function check(string $password, array $known = []): void
    {
        $length = mb_strlen($password);
        if ($length < self::LEAST) {
            throw new Refused(
                'password',
                \sprintf(
                    'A password has at least %d characters; this one has %d. Three or four words that have nothing to do with one another '
                        .'are easy to keep.',
                    self::LEAST,
                    $length,
                ),
            );
        }
        if ($length > self::MOST) {
            throw new Refused(
                'password',
                \sprintf(
                    'A password has at most %d characters; this one has %s. Was something else in the clipboard?',
                    self::MOST,
                    number_format($length),
                ),
            );
        }
        $folded = mb_strtolower($password);
        if (1 === preg_match('/^(.{1,4})\1+.{0,3}$/Dus', $folded) || \in_array($folded, CommonPasswords::ALL, true)) {
            throw new Refused('password', 'This password is among those that are tried first. Choose another one.');
        }
        foreach ($known as $one) {
            $one = mb_strtolower(trim($one));
            if (mb_strlen($one) >= 4 && mb_strlen(str_replace($one, '', $folded)) < 6) {
                throw new Refused('password', 'This password says little that others do not know of you. Choose another one.');
            }
        }
    }
}
