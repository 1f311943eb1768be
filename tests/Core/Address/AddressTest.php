<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Address;

use Eris\Generators;
use Eris\TestTrait;
use Lantern\Core\Address\Address;
use Lantern\Core\Address\BadAddress;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class AddressTest extends TestCase
{
    use TestTrait;

    #[DataProvider('forms')]
    public function testBringsWhatIsAskedForToNormalForm(string $asked, string $normal): void
    {
        self::assertSame($normal, Address::parse($asked)->path);
    }

    /** @return iterable<string, array{string, string}> */
    public static function forms(): iterable
    {
        yield 'capitals' => ['/Papers/Marbled', '/papers/marbled'];
        yield 'capitals beyond ASCII' => ['/CAFÉ/ÅR/ΣΑΣ', '/café/år/σασ'];
        yield 'a capital whose small letter is decomposed in full folding' => ['/İstanbul', '/istanbul'];
        yield 'empty parts and the last slash' => ['/papers//marbled/', '/papers/marbled'];
        yield 'the root stays' => ['/', '/'];
        yield 'nothing but slashes' => ['///', '/'];
        yield 'dot segments' => ['/papers/./x/../marbled', '/papers/marbled'];
        yield 'never above the root' => ['/../../papers', '/papers'];
        yield 'encoded dot segments' => ['/a/%2e%2E/b/%2E/c', '/b/c'];
        yield 'encoded letters' => ['/%70%61pers', '/papers'];
        yield 'encoded UTF-8' => ['/caf%C3%A9', '/café'];
        yield 'UTF-8 as it is' => ['/café', '/café'];
        yield 'a decomposed accent' => ['/cafe%CC%81', '/café'];
        yield 'an encoded slash is no separator' => ['/a%2Fb', '/a%2Fb'];
        yield 'its digits are capitals' => ['/a%2fb', '/a%2Fb'];
        yield 'an encoded percent sign stays encoded' => ['/100%2525', '/100%2525'];
        yield 'an encoded question mark is no query' => ['/what%3F', '/what%3F'];
        yield 'reserved characters are not decoded' => ['/a%3Ab%40c', '/a%3Ab%40c'];
        yield 'reserved characters that stand bare' => ['/a:b@c;d=1', '/a:b@c;d=1'];
        yield 'a space' => ['/bone folder', '/bone%20folder'];
        yield 'what may not stand bare' => ['/a"b<c>', '/a%22b%3Cc%3E'];
    }

    #[DataProvider('refused')]
    public function testRefusesWhatHasNoNormalForm(string $asked, string $says): void
    {
        $this->expectException(BadAddress::class);
        $this->expectExceptionMessageMatches("/$says/");
        Address::parse($asked);
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'a broken percent code' => ['/%zz', 'hexadecimal'];
        yield 'a percent code cut short' => ['/a%2', 'hexadecimal'];
        yield 'bytes that are not UTF-8' => ["/a\xFF", 'UTF-8'];
        yield 'encoded bytes that are not UTF-8' => ['/%FF%FE', 'UTF-8'];
        yield 'an encoded NUL' => ['/a%00', 'NUL'];
        yield 'a bare NUL' => ["/a\0", 'NUL'];
        yield 'too long' => ['/'.str_repeat('a', Address::MAX_BYTES), '2048'];
        yield 'too long once it is encoded' => ['/'.str_repeat('é', 1000), '2048'];
        yield 'no slash at the front' => ['papers', 'slash'];
        yield 'nothing' => ['', 'slash'];
    }

    public function testTheLongestAddressIsNotTooLong(): void
    {
        self::assertSame(Address::MAX_BYTES, \strlen(Address::parse('/'.str_repeat('a', Address::MAX_BYTES - 1))->path));
    }

    public function testNormalFormIsIdempotent(): void
    {
        $this->limitTo(800)->forAll(self::paths())->then(static function (string $path): void {
            try {
                $once = Address::parse($path);
            } catch (BadAddress $refused) {
                self::assertSame('address', $refused->field);

                return;
            }
            self::assertSame($once->path, Address::parse($once->path)->path, 'of its bare form');
            self::assertSame($once->path, Address::parse($once->encoded())->path, 'of its encoded form');
            self::assertMatchesRegularExpression('#^/[\x21-\x7E]*$#', $once->encoded());
        });
    }

    public function testKnowsWhatStandsAboveAndBelow(): void
    {
        $combed = Address::parse('/papers/marbled/combed');
        self::assertSame('combed', $combed->slug());
        self::assertSame(['/papers/marbled', '/papers', '/'], array_map(strval(...), $combed->ancestors()));
        self::assertTrue($combed->isBelow(Address::parse('/papers')));
        self::assertTrue($combed->isBelow(Address::root()));
        self::assertFalse($combed->isBelow($combed));
        self::assertFalse(Address::parse('/papers-and-more')->isBelow(Address::parse('/papers')));
        self::assertSame('/sheets/marbled/combed', $combed->rebased(Address::parse('/papers'), Address::parse('/sheets'))->path);
        self::assertSame('/marbled/combed', $combed->rebased(Address::parse('/papers'), Address::root())->path);
        self::assertSame('/old/papers/marbled/combed', $combed->rebased(Address::root(), Address::parse('/old'))->path);
        self::assertSame('/new', Address::root()->below('new')->path);
    }

    /**
     * Paths of odd parts: letters of many scripts, percent codes good and bad, dots, slashes, stray bytes.
     *
     * @return \Eris\Generator<string>
     */
    private static function paths(): \Eris\Generator
    {
        $part = Generators::elements(
            'a',
            'B',
            'é',
            "e\u{301}",
            'İ',
            'ß',
            'Σ',
            '日',
            '%41',
            '%c3%a9',
            '%C3%89',
            '%2F',
            '%2e',
            '%25',
            '%zz',
            '%',
            '.',
            '..',
            '/',
            '//',
            ' ',
            '+',
            ':',
            "\xC3",
            '_',
            '-',
            '%E1%BA%9E',
            "\u{212B}",
            '%7e',
            '%0a',
            "\u{FB03}",
        );

        return Generators::map(
            static fn (array $parts): string => '/'
                .implode('', array_map(static fn (mixed $one): string => \is_string($one) ? $one : '', $parts)),
            Generators::seq($part),
        );
    }
}
