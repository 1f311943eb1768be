<?php

declare(strict_types=1);

namespace Lantern\Core\Address;

/**
 * The path at which a place opens, in normal form: lower case, no empty part, no slash at the end,
 * no dot segments (RFC 3986, 5.2.4), percent-codes decoded where the character may stand bare
 * (RFC 3986, 6.2.2.2), UTF-8 in NFC. Letters beyond ASCII stand bare in `path`; `encoded()` gives
 * the form for a header or a link (RFC 3987, 3.1).
 */
final readonly class Address implements \Stringable
{
    public const MAX_BYTES = 2048;

    /** Most of what is asked for: parts of letters, digits and marks that need no folding, none of them a dot segment. */
    private const NORMAL_ALREADY = '~^(?:/[a-z0-9_\~-][a-z0-9._\~-]*)+$~D';

    private function __construct(public string $path)
    {
    }

    /**
     * Brings a path as it was asked for to normal form. A query or a fragment is no part of it.
     *
     * @throws BadAddress
     */
    public static function parse(string $path): self
    {
        if (\strlen($path) > self::MAX_BYTES) {
            throw BadAddress::tooLong();
        }
        if (1 === preg_match(self::NORMAL_ALREADY, $path)) {
            return new self($path);
        }
        if ('' === $path || '/' !== $path[0]) {
            throw BadAddress::notAbsolute();
        }
        $parts = [];
        foreach (explode('/', self::bare($path)) as $part) {
            if ('..' === $part) {
                array_pop($parts);
            } elseif ('.' !== $part) {
                $parts[] = $part;
            }
        }
        // Empty parts fall away last: to a browser /a//.. is /a/, and not the root.
        $address = new self('/'.implode('/', array_filter($parts, static fn (string $part): bool => '' !== $part)));
        // Encoding what may not stand bare makes a path longer; the normal form has to have a normal form.
        if (\strlen($address->encoded()) > self::MAX_BYTES) {
            throw BadAddress::tooLong();
        }

        return $address;
    }

    /**
     * An address as somebody types it, with or without its first slash.
     *
     * @throws \Lantern\Core\Refused where it is none
     */
    public static function typed(string $typed): self
    {
        $typed = trim($typed);

        return '' === $typed ? throw BadAddress::notAbsolute() : self::parse(str_starts_with($typed, '/') ? $typed : "/$typed");
    }

    /** For a path that was in normal form when it was stored. */
    public static function fromNormal(string $path): self
    {
        return new self($path);
    }

    public static function root(): self
    {
        return new self('/');
    }

    /** ASCII only, as it stands in a `Location` header or an `href`. */
    public function encoded(): string
    {
        return preg_replace_callback(
            '/[^\x21-\x7E]+/',
            static fn (array $m): string => rawurlencode($m[0]),
            $this->path,
        ) ?? $this->path;
    }

    public function isRoot(): bool
    {
        return '/' === $this->path;
    }

    /** The last part; empty for the root. */
    public function slug(): string
    {
        return substr($this->path, (int) strrpos($this->path, '/') + 1);
    }

    public function parent(): self
    {
        return new self(substr($this->path, 0, (int) strrpos($this->path, '/')) ?: '/');
    }

    /** This address with one more part at its end. */
    public function below(string $slug): self
    {
        return self::parse(($this->isRoot() ? '' : $this->path).'/'.$slug);
    }

    /** Whether this address stands somewhere below the other; no address is below itself. */
    public function isBelow(self $other): bool
    {
        return $this->path !== $other->path
            && ($other->isRoot() || str_starts_with($this->path, $other->path.'/'));
    }

    /** The same rest of the path, below `$to` instead of `$from`. The address has to be `$from` or below it. */
    public function rebased(self $from, self $to): self
    {
        $rest = $from->isRoot() ? $this->path : substr($this->path, \strlen($from->path));

        return self::parse(($to->isRoot() ? '' : $to->path).$rest ?: '/');
    }

    /** @return list<self> the addresses above this one, nearest first, the root last */
    public function ancestors(): array
    {
        $above = [];
        for ($at = $this; !$at->isRoot();) {
            $above[] = $at = $at->parent();
        }

        return $above;
    }

    public function equals(self $other): bool
    {
        return $this->path === $other->path;
    }

    public function __toString(): string
    {
        return $this->path;
    }

    /** Decodes what may stand bare, encodes what may not, folds capitals; an encoded slash stays %2F. */
    private static function bare(string $path): string
    {
        $decoded = '';
        $length = \strlen($path);
        for ($i = 0; $i < $length; ++$i) {
            $byte = $path[$i];
            if ('%' === $byte) {
                $hex = substr($path, $i + 1, 2);
                if (1 !== preg_match('/^[0-9A-Fa-f]{2}$/D', $hex)) {
                    throw BadAddress::brokenPercentCode();
                }
                $i += 2;
                $byte = \chr((int) hexdec($hex));
                if (1 !== preg_match('/[A-Za-z0-9._~\x80-\xFF-]/', $byte)) {
                    $byte = '%'.strtoupper($hex);
                }
            } elseif (1 === preg_match('/[\x00-\x20"<>\[\]\\\\^`{|}?#\x7F]/', $byte)) {
                $byte = \sprintf('%%%02X', \ord($byte));
            }
            if ('%00' === $byte) {
                throw BadAddress::nul();
            }
            $decoded .= $byte;
        }
        if (!mb_check_encoding($decoded, 'UTF-8')) {
            throw BadAddress::notUtf8();
        }

        return self::folded($decoded);
    }

    /** Lower case and NFC, but for percent-codes, whose digits are capitals (RFC 3986, 6.2.2.1). */
    private static function folded(string $text): string
    {
        // Lower case of a composed letter may be a decomposed one, so compose, fold, and compose again.
        $lower = mb_convert_case(self::composed($text), \MB_CASE_LOWER_SIMPLE, 'UTF-8');

        return preg_replace_callback(
            '/%[0-9a-f]{2}/',
            static fn (array $m): string => strtoupper($m[0]),
            self::composed($lower),
        ) ?? $text;
    }

    private static function composed(string $text): string
    {
        $composed = \Normalizer::normalize($text, \Normalizer::FORM_C);

        return false === $composed ? throw BadAddress::notUtf8() : $composed;
    }
}
