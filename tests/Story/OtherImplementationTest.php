<?php

declare(strict_types=1);

namespace Lantern\Tests\Story;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\BadAddress;
use League\Uri\Exceptions\SyntaxError;
use League\Uri\Uri;
use League\Uri\UriString;
use PHPUnit\Framework\TestCase;

/**
 * Our normal form beside that of an implementation by others (RFC 3986, 6.2.2: percent-codes in capitals,
 * unreserved characters bare, dot segments resolved). Ours goes further; each way in which it does is
 * named here, applied to theirs, and then both have to be the same.
 */
final class OtherImplementationTest extends TestCase
{
    private const PATHS = 10_000;
    private const PIECES = [
        'papers',
        'Marbled',
        'a',
        'Z',
        '-',
        '_',
        '.',
        '~',
        '..',
        '.',
        '/',
        '//',
        '/',
        '/',
        '%41',
        '%7e',
        '%2F',
        '%2f',
        '%20',
        ' ',
        '%C3%A9',
        'é',
        "e\u{301}",
        'É',
        '%c3%89',
        'ß',
        '日',
        '%E6%97%A5',
        '+',
        '&',
        '=',
        '@',
        ':',
        ';',
        ',',
        '!',
        '$',
        "'",
        '(',
        ')',
        '*',
        '%25',
        '%3F',
        '%23',
        '%5B',
        '[',
        ']',
        '"',
        '<',
        '\\',
        '^',
        '`',
        '{',
        '|',
        'İ',
        'Σ',
        '%zz',
        '%',
        "\x01",
        '%00',
        '%80',
    ];

    public function testTenThousandPaths(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Xoshiro256StarStar(3986));
        $compared = $refused = 0;
        for ($n = 0; $n < self::PATHS; ++$n) {
            $path = '/';
            for ($pieces = $random->getInt(0, 9); $pieces > 0; --$pieces) {
                $path .= self::PIECES[$random->getInt(0, \count(self::PIECES) - 1)];
            }
            try {
                $ours = Address::parse($path)->path;
            } catch (BadAddress) {
                self::assertTrue($this->isBad($path), "$path was refused");
                ++$refused;
                continue;
            }
            self::assertFalse($this->isBad($path), "$path was taken");
            self::assertSame($ours, $this->further($this->theirs($path)), $path);
            self::assertSame($ours, Address::parse($ours)->path, 'a normal form is its own');
            self::assertSame($ours, Address::parse(Address::parse($path)->encoded())->path, 'a link leads to what it was made of');
            ++$compared;
        }
        self::assertGreaterThan(5000, $compared);
        self::assertGreaterThan(500, $refused);
    }

    /** What cannot be a path at all: a broken percent-code, a NUL, bytes that are no UTF-8. */
    private function isBad(string $path): bool
    {
        return 1 === preg_match('/%(?![0-9A-Fa-f]{2})/', $path)
            || str_contains($path, '%00')
            || !mb_check_encoding(rawurldecode($path), 'UTF-8');
    }

    private function theirs(string $path): string
    {
        // What may not stand in a URI at all is encoded first, as a browser does; they refuse it.
        $encoded = (string) preg_replace_callback(
            '/[^\x21-\x7E]|["<>\\\\^`{|}\[\]]/',
            static fn (array $m): string => rawurlencode($m[0]),
            $path,
        );
        try {
            $uri = Uri::new("https://shop.example$encoded");
        } catch (SyntaxError $error) {
            self::fail("They do not take $encoded: {$error->getMessage()}");
        }

        return UriString::parse($uri->normalize()->toString())['path'] ?? '';
    }

    private function further(string $theirs): string
    {
        // 1. Letters beyond ASCII stand bare, composed (NFC) and folded: addresses differ by more than capitals (RFC 3987, 5.3.2).
        $bare = (string) preg_replace_callback('/(?:%[89A-F][0-9A-F])+/i', static fn (array $m): string => rawurldecode($m[0]), $theirs);
        $composed = (string) \Normalizer::normalize($bare, \Normalizer::FORM_C);
        $folded = (string) \Normalizer::normalize(mb_convert_case($composed, \MB_CASE_LOWER_SIMPLE, 'UTF-8'), \Normalizer::FORM_C);
        // 2. Percent-codes keep their capitals.
        $folded = (string) preg_replace_callback('/%[0-9a-f]{2}/', static fn (array $m): string => strtoupper($m[0]), $folded);

        // 3. Empty parts and the last slash fall away.
        return '/'.implode('/', array_filter(explode('/', $folded), static fn (string $part): bool => '' !== $part));
    }
}
