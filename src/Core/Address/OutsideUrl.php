<?php

declare(strict_types=1);

namespace Lantern\Core\Address;

use Lantern\Core\Refused;

/**
 * An address on somebody else's web site, in one form: scheme and host in lower case, the host in ASCII
 * (IDNA by UTS #46), what may not stand bare in path, query and fragment as percent-codes (RFC 3987, 3.1).
 * Only http and https: anything else could run a script.
 */
final readonly class OutsideUrl
{
    public const MAX_BYTES = 2048;

    /** A domain of labels (RFC 1123, 2.1), or an IPv6 address in brackets (RFC 3986, 3.2.2). */
    private const HOST = '/^(?:(?:[a-z0-9_](?:[a-z0-9_-]{0,61}[a-z0-9])?\.)*[a-z0-9](?:[a-z0-9-]{0,61}[a-z0-9])?\.?|\[[0-9a-f:.]+\])$/D';

    private function __construct(public string $url)
    {
    }

    /** @throws Refused saying how such an address is written */
    public static function parse(string $typed): self
    {
        if (!mb_check_encoding($typed, 'UTF-8') || 1 !== preg_match('~^(https?)://([^/?#]*)([^?#]*)(\?[^#]*)?(#.*)?$~iDs', $typed, $found)
            || 1 === preg_match('/[\x00-\x20\x7F<>"\\\\]/', $typed)) {
            throw self::refused(
                'An outside address begins with https:// or http:// and a domain, such as https://example.org/page. Spaces in it are '
                    .'written %20.',
            );
        }
        [, $scheme, $authority, $path, $query, $fragment] = $found + ['', '', '', '', '', ''];
        if (str_contains($authority, '@')) {
            throw self::refused('An outside address has no name and no password before its domain. Leave them out.');
        }
        preg_match('/^(.*?)(?::(\d*))?$/Ds', $authority, $parts);
        $host = self::ascii($parts[1] ?? '');
        $port = $parts[2] ?? '';
        if (null === $host || '' !== $port && ((int) $port < 1 || (int) $port > 65535 || \strlen($port) > 5)) {
            throw self::refused(\sprintf(
                '“%s” is no domain. Write it like example.org, with letters, digits, hyphens and dots.',
                mb_substr($authority, 0, 80),
            ));
        }
        $url = strtolower($scheme)."://$host".('' === $port ? '' : ":$port").self::encoded($path.$query.$fragment);
        if (\strlen($url) > self::MAX_BYTES) {
            throw self::refused(\sprintf('An outside address has at most %d bytes. Choose a shorter one.', self::MAX_BYTES));
        }

        return new self($url);
    }

    private static function ascii(string $host): ?string
    {
        $info = null;
        $ascii = 1 === preg_match('/[^\x00-\x7F]/', $host)
            ? idn_to_ascii($host, \IDNA_NONTRANSITIONAL_TO_ASCII | \IDNA_USE_STD3_RULES | \IDNA_CHECK_BIDI, \INTL_IDNA_VARIANT_UTS46, $info)
            : strtolower($host);
        if (!\is_string($ascii) || \strlen($ascii) > 253 || 1 !== preg_match(self::HOST, $ascii)) {
            return null;
        }
        if (str_starts_with($ascii, '[') && false === filter_var(substr($ascii, 1, -1), \FILTER_VALIDATE_IP, \FILTER_FLAG_IPV6)) {
            return null;
        }

        return $ascii;
    }

    private static function encoded(string $rest): string
    {
        return preg_replace_callback('/[^\x21-\x7E]+/', static fn (array $found): string => rawurlencode($found[0]), $rest) ?? $rest;
    }

    private static function refused(string $words): Refused
    {
        return new Refused('target', $words);
    }
}
