<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Outline;

use Eris\Generators;
use Eris\TestTrait;
use Lantern\Core\Outline\Likeness;
use Lantern\Core\Outline\OutlineLine;
use Lantern\Core\Outline\PastedOutline;
use Lantern\Core\Refused;
use Lantern\Interchange\Json\MenuJson;
use Lantern\Interchange\Opml\Opml;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PastedOutlineTest extends TestCase
{
    use TestTrait;

    /** @param list<array{int, string, string}> $expected */
    #[DataProvider('pasted')]
    public function testReadsAnIndentedList(string $text, array $expected): void
    {
        self::assertSame(
            $expected,
            array_map(static fn (OutlineLine $line): array => [$line->level, $line->label, $line->lead], PastedOutline::read($text)),
        );
    }

    /** @return iterable<string, array{string, list<array{int, string, string}>}> */
    public static function pasted(): iterable
    {
        $three = [[1, 'Papers', ''], [2, 'Marbled', ''], [3, 'Combed', ''], [2, 'Paste', ''], [1, 'Tools', '']];
        yield 'spaces' => ["Papers\n  Marbled\n    Combed\n  Paste\nTools", $three];
        yield 'tabs' => ["Papers\r\n\tMarbled\r\n\t\tCombed\r\n\tPaste\r\nTools\r\n", $three];
        yield 'dashes' => ["Papers\n- Marbled\n-- Combed\n- Paste\nTools", $three];
        yield 'a list with bullets' => ["- Papers\n  - Marbled\n    * Combed\n  - Paste\n- Tools", $three];
        yield 'numbers' => [
            "1. Papers\n   1. Marbled\n      a\n2. Tools",
            [[1, 'Papers', ''], [2, 'Marbled', ''], [3, 'a', ''], [1, 'Tools', '']],
        ];
        yield 'uneven, and indented as a whole' => ["    Papers\n\n       Marbled\n              Combed\n       Paste\n    Tools", $three];
        yield 'with where they lead' => [
            "Papers /papers\nThe fair → https://fair.example/x?a=1\n[Write](mailto:a@b.example)\n/tools\nCall -> "
                ."tel:+441632960018\nEither/or",
            [
                [1, 'Papers', '/papers'],
                [1, 'The fair', 'https://fair.example/x?a=1'],
                [1, 'Write', 'mailto:a@b.example'],
                [1, '', '/tools'],
                [1, 'Call', 'tel:+441632960018'],
                [1, 'Either/or', ''],
            ],
        ];
        yield 'hyphens within words' => ['Acid-free - and more', [[1, 'Acid-free - and more', '']]];
        yield 'nothing' => [" \n\t\n", []];
    }

    #[DataProvider('notMenus')]
    public function testWhatIsNoMenuIsRefusedWithTheReason(\Closure $read, string $says): void
    {
        try {
            $read();
            self::fail('It was read.');
        } catch (Refused $refused) {
            self::assertMatchesRegularExpression("/$says/", $refused->getMessage());
        }
    }

    /** @return iterable<string, array{\Closure, string}> */
    public static function notMenus(): iterable
    {
        yield '5,000 lines' => [static fn () => PastedOutline::read(str_repeat("Papers\n", 5000)), '5,000 lines.*at most 1,000'];
        yield 'a line of 10,000 characters' => [
            static fn () => PastedOutline::read("Papers\n".str_repeat('x', 10000)),
            'Line 2 has 10,000 characters',
        ];
        yield 'a label that is too long' => [static fn () => PastedOutline::read(str_repeat('x', 300)), 'line 1 has 300 characters'];
        yield 'an entity bomb' => [
            static fn () => Opml::read(
                '<?xml version="1.0"?><!DOCTYPE o [<!ENTITY a "aaa"><!ENTITY b "&a;&a;">]><opml version="2.0"><body><outline '
                    .'text="&b;"/></body></opml>',
            ),
            'document type',
        ];
        yield 'broken nesting' => [
            static fn () => Opml::read("<opml version=\"2.0\"><body>\n<outline text=\"a\"></body></opml>"),
            'not well-formed XML: in line 2',
        ];
        yield 'other XML' => [static fn () => Opml::read('<rss><channel/></rss>'), 'not OPML'];
        yield 'no outline' => [static fn () => Opml::read('<opml version="2.0"><body/></opml>'), 'no outline'];
        yield 'too deep' => [
            static fn () => Opml::read(
                '<opml version="2.0"><body>'.str_repeat('<outline text="a">', 150).str_repeat('</outline>', 150).'</body></opml>',
            ),
            '100 levels',
        ];
        yield 'broken JSON' => [static fn () => MenuJson::read('{"entries": ['), 'not JSON'];
        yield 'JSON of another shape' => [static fn () => MenuJson::read('{"entries": {"a": 1}}'), '“menu.entries” has to be a list'];
        yield 'a wrong field' => [
            static fn () => MenuJson::read('{"entries": [{"label": "a", "audience": "friends"}]}'),
            'one of everyone, guests, customers',
        ];
    }

    public function testWhatIsWrittenIsReadBack(): void
    {
        $this->limitTo(100)->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            mt_srand($seed);
            $lines = [];
            $level = 1;
            for ($n = 1; $n <= mt_rand(1, 40); ++$n) {
                $lines[] = new OutlineLine(
                    $n,
                    $level,
                    ['Papers', 'Boards & cloth', 'Für “dich”', '<b>', 'a → b'][mt_rand(0, 4)],
                    ['', '/papers', 'https://x.example/?a=1&b=2'][mt_rand(0, 2)],
                    0 !== mt_rand(0, 3),
                );
                $level = mt_rand(1, min(3, $level + 1));
            }
            $facts = static fn (array $all): array => array_map(
                static fn (OutlineLine $line): array => [$line->level, $line->label, $line->lead, $line->enabled],
                $all,
            );
            self::assertSame($facts($lines), $facts(Opml::read(Opml::write('Menu', $lines, new \DateTimeImmutable()))));
            self::assertSame($facts($lines), $facts(MenuJson::read(MenuJson::write('Menu', $lines))));
        });
    }

    public function testWhateverALabelBeginsWithTheTextOfAMenuIsReadBack(): void
    {
        $labels = [
            'Papers',
            '- A dash',
            '— long',
            '* star',
            '• dot',
            '1. One',
            '12) Twelve',
            '--x',
            'a → b',
            'a -> b',
            'Gifts | more',
            '[Label](there)',
            'A [b](c)',
            'https://x.example',
            'To /papers',
            '→ x',
        ];
        $this->limitTo(100)->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed) use ($labels): void {
            mt_srand($seed);
            $lines = [];
            $level = 1;
            for ($n = 1; $n <= mt_rand(1, 30); ++$n) {
                $lines[] = new OutlineLine(
                    $n,
                    $level,
                    $labels[mt_rand(0, \count($labels) - 1)],
                    ['', '/papers', 'https://x.example/?a=1&b=2'][mt_rand(0, 2)],
                );
                $level = mt_rand(1, min(3, $level + 1));
            }
            $facts = static fn (array $all): array => array_map(
                static fn (OutlineLine $line): array => [$line->level, $line->label, $line->lead],
                $all,
            );
            self::assertSame($facts($lines), $facts(PastedOutline::read(PastedOutline::write($lines))));
        });
    }

    #[DataProvider('likenesses')]
    public function testTellsHowSureAMatchIs(string $label, string $title, ?string $sureness): void
    {
        self::assertSame($sureness, Likeness::between($label, $title)->sureness?->value);
    }

    /** @return iterable<array{string, string, string|null}> */
    public static function likenesses(): iterable
    {
        yield ['Marbled papers', 'Marbled papers', 'certain'];
        yield ['marbled   PAPERS!', 'Marbled papers', 'certain'];
        yield ['Café cards', 'Cafe cards', 'certain'];
        yield ['Papers, marbled', 'Marbled papers', 'likely'];
        yield ['Marbled paper', 'Marbled papers', 'likely'];
        yield ['The marbled papers', 'Marbled papers', 'likely'];
        yield ['Marbled', 'Marbled papers', 'likely'];
        yield ['Marbeld papers', 'Marbled papers', 'unsure'];
        yield ['Marbled papers', 'Papers', 'unsure'];
        yield ['Tools', 'Marbled papers', null];
        yield ['', 'Marbled papers', null];
        yield ['the', 'Marbled papers', null];
    }
}
