<?php

declare(strict_types=1);

namespace Lantern\Core\Person;

/** A mail address as people type it, whoever's it is (RFC 5321, 4.1.2; RFC 6531 for what is not ASCII). */
final class MailAddress
{
    private const LONGEST = 254;

    /** In lower case, NFC and without what stands around it; null where it is none. */
    public static function normal(string $typed): ?string
    {
        $mail = \Normalizer::normalize(mb_strtolower(trim($typed)), \Normalizer::FORM_C);

        return \is_string($mail)
            && \strlen($mail) <= self::LONGEST
            && false !== filter_var($mail, \FILTER_VALIDATE_EMAIL, \FILTER_FLAG_EMAIL_UNICODE)
            ? $mail
            : null;
    }
}
