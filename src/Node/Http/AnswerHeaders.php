<?php

declare(strict_types=1);

namespace Lantern\Node\Http;

/** The headers that go with an answer of the storefront, whoever gives it. */
final class AnswerHeaders
{
    /** Goes with a redirect, too: browsers heed it on the way (Referrer Policy, 8.1). */
    public const REFERRER = 'strict-origin-when-cross-origin';

    /**
     * What keeps a page and its visitor safe.
     *
     * @param string $ancestors who may show the page in a frame, as a source of Content-Security-Policy
     * @param string $styles    hashes of the styles within the page, each in single quotes (CSP 3, 2.3.1); empty: there are none
     *
     * @return array<string, string>
     */
    public static function safety(string $ancestors = "'none'", string $styles = ''): array
    {
        return [
            'Content-Security-Policy' => "default-src 'self'; ".('' === $styles ? '' : "style-src 'self' $styles; ")
                ."base-uri 'none'; object-src 'none'; form-action 'self'; frame-ancestors $ancestors",
            'X-Content-Type-Options' => 'nosniff',
            'Referrer-Policy' => self::REFERRER,
            'Permissions-Policy' => 'camera=(), geolocation=(), microphone=()',
        ];
    }

    /** How long an answer may be kept on the way (RFC 9111, 5.2.2). */
    public static function cacheControl(int $seconds): string
    {
        return 0 === $seconds ? 'no-cache, private' : "max-age=$seconds, public";
    }
}
