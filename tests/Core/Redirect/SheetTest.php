<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Redirect;

use Lantern\Core\Address\Address;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\JudgedLine;
use Lantern\Core\Redirect\Judgement;
use Lantern\Core\Redirect\LineOutcome;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Redirect\RuleTable;
use Lantern\Core\Redirect\Sheet;
use Lantern\Core\Redirect\SheetLine;
use Lantern\Core\Refused;
use Lantern\Interchange\Csv\RedirectCsv;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SheetTest extends TestCase
{
    private const ORIGIN = 'https://shop.example';

    #[DataProvider('lines')]
    public function testTellsTheFateOfALine(string $source, string $target, string $status, LineOutcome $fate, string $says): void
    {
        $judged = $this->judge([[$source, $target, $status]])->lines[0];
        self::assertSame($fate, $judged->fate, $judged->words);
        self::assertStringContainsString($says, $judged->words);
    }

    /** @return iterable<array{string, string, string, LineOutcome, string}> */
    public static function lines(): iterable
    {
        yield ['/old', '/papers', '', LineOutcome::Added, 'Leads to “Papers”, for good (301)'];
        yield ['https://shop.example/Old//', 'https://shop.example/Papers/', '302', LineOutcome::Added, '“Papers”, for now (302)'];
        yield ['/old', '/papers?tag=gift', '308', LineOutcome::Added, 'Leads to /papers'];
        yield ['/old/*', '/new/*', 'permanent', LineOutcome::Added, 'Leads to /new/*'];
        yield ['/old/*', '/papers', '', LineOutcome::Added, 'Leads to “Papers”'];
        yield ['/old', '', '410', LineOutcome::Added, 'gone (410)'];
        yield ['/old', 'https://elsewhere.example/x', '301 moved', LineOutcome::Added, 'https://elsewhere.example/x'];
        yield ['/kept', '/papers', '', LineOutcome::Already, 'there already'];
        yield ['/kept', '/new', '', LineOutcome::Refused, '/kept has a redirect already'];
        yield ['/papers', '/new', '', LineOutcome::Refused, '“Papers” opens at /papers'];
        yield ['/old', 'javascript:alert(1)', '', LineOutcome::Refused, 'begins with https://'];
        yield ['/old', '//evil.example', '', LineOutcome::Refused, 'begins with https://'];
        yield ['https://other.example/x', '/new', '', LineOutcome::Refused, 'not an address of this shop'];
        yield ['https://shop.example.evil.example/x', '/new', '', LineOutcome::Refused, 'not an address of this shop'];
        yield ['old', '/new', '', LineOutcome::Refused, 'begins with a slash'];
        yield ['/old?id=3', '/new', '', LineOutcome::Refused, 'no query'];
        yield ['/a%zz', '/new', '', LineOutcome::Refused, ''];
        yield ['/old', '', '', LineOutcome::Refused, 'does not say where'];
        yield ['/old', '/new', '200', LineOutcome::Refused, 'no status of a redirect'];
        yield ['/old', '/new/*', '', LineOutcome::Refused, 'the source does not'];
        yield ['/old/*', '/new', '', LineOutcome::Refused, 'write the target as /new/*'];
        yield ['/old', '/old', '', LineOutcome::Refused, '/old → /old'];
        yield ['/sitemap.xml', '/new', '', LineOutcome::Refused, 'cannot be redirected'];
    }

    public function testOneSourceOnceHoweverItIsWritten(): void
    {
        $judgement = $this->judge([['/old', '/papers', ''], ['/OLD/', '/papers', '301'], ['/old//', '/new', '']]);
        self::assertSame(
            [LineOutcome::Added, LineOutcome::Already, LineOutcome::Refused],
            array_map(static fn (JudgedLine $one): LineOutcome => $one->fate, $judgement->lines),
        );
        self::assertStringContainsString('Line 1 has the same source', $judgement->lines[2]->words);
        self::assertCount(1, $judgement->added);
    }

    public function testALoopOverFortyLinesIsRefusedWholeAndShownAndTheOthersGoIn(): void
    {
        $lines = [['/before', '/papers', '']];
        for ($n = 0; $n < 40; ++$n) {
            $lines[] = ["/loop-$n", '/loop-'.(($n + 1) % 40), ''];
        }
        $lines[] = ['/after', '/new', ''];
        $judgement = $this->judge($lines);
        self::assertSame(
            [2, 0, 40],
            [$judgement->count(LineOutcome::Added), $judgement->count(LineOutcome::Already), $judgement->count(LineOutcome::Refused)],
        );
        self::assertStringContainsString('/loop-0 → /loop-1 →', $judgement->lines[7]->words);
        self::assertStringContainsString('34 more', $judgement->lines[7]->words);
    }

    public function testALoopThroughARedirectOfTheShopIsRefused(): void
    {
        $judged = $this->judge([['/target', '/chained', '']])->lines[0];
        self::assertSame(LineOutcome::Refused, $judged->fate);
        self::assertStringContainsString('/target → /chained → /target', $judged->words);
    }

    public function testChainsLeadStraightToTheirEnd(): void
    {
        $judgement = $this->judge([['/a', '/b', ''], ['/b', '/kept', '302'], ['/target', '/papers', '']]);
        self::assertSame(['p', 'p', 'p'], array_map(static fn (Rule $rule): ?string => $rule->goal->placeId, $judgement->added));
        self::assertSame(
            [302, 302, 301],
            array_map(static fn (Rule $rule): int => $rule->status->value, $judgement->added),
            'two hops are for good only if both are',
        );
        self::assertSame(
            [['/chained', 'p']],
            array_map(static fn (Rule $rule): array => [$rule->source->path, $rule->goal->placeId], $judgement->changed),
            'what led into a new redirect leads to its end',
        );
    }

    public function testTheSameSheetTwiceChangesNothing(): void
    {
        $sheet = [
            ['/a', '/b', ''],
            ['/b', '/papers', ''],
            ['/old/*', '/new/*', ''],
            ['/gone', '', 'gone'],
            ['/far', 'https://far.example/', '307'],
        ];
        $first = $this->judge($sheet);
        $known = new RuleTable([...$this->known()->rules(), ...$first->added]);
        $again = $this->judge($sheet, $known);
        self::assertSame(
            5,
            $again->count(LineOutcome::Already),
            implode(' ', array_map(static fn (JudgedLine $one): string => $one->words, $again->lines)),
        );
        self::assertSame([[], []], [$again->added, $again->changed]);
    }

    public function testItsLastDayIsOverWhenThatDayIsInTheShop(): void
    {
        $line = new SheetLine(1, '/spring', '/papers', '302', '2027-03-31');
        $judge = static fn (string $zone): ?Rule => Sheet::judge(
            [$line],
            self::ORIGIN,
            [],
            new RuleTable([]),
            new \DateTimeImmutable('2026-03-01'),
            zone: new \DateTimeZone($zone),
        )->added[0]
            ?? null;
        $there = $judge('America/New_York');
        self::assertNotNull($there);
        self::assertEquals(new \DateTimeImmutable('2027-04-01T04:00:00Z'), $there->until);
        self::assertTrue($there->isInForce(new \DateTimeImmutable('2027-03-31T23:59:59', new \DateTimeZone('America/New_York'))));
        self::assertFalse($there->isInForce(new \DateTimeImmutable('2027-04-01T00:00:00', new \DateTimeZone('America/New_York'))));
        self::assertEquals(new \DateTimeImmutable('2027-03-31T18:15:00Z'), $judge('Asia/Kathmandu')?->until);
    }

    #[DataProvider('fields')]
    public function testWhatIsRefusedNamesTheFieldToChange(SheetLine $line, string $field): void
    {
        $judged = Sheet::judge([$line], self::ORIGIN, [], new RuleTable([]), new \DateTimeImmutable('2026-03-01'))->lines[0];
        self::assertSame([LineOutcome::Refused, $field], [$judged->fate, $judged->field], $judged->words);
    }

    /** @return iterable<array{SheetLine, string}> */
    public static function fields(): iterable
    {
        yield [new SheetLine(1, 'old', '/papers', '301'), 'source'];
        yield [new SheetLine(1, '/a%zz', '/papers', '301'), 'source'];
        yield [new SheetLine(1, '/old', '/a%zz', '301'), 'target'];
        yield [new SheetLine(1, '/old', 'javascript:alert(1)', '301'), 'target'];
        yield [new SheetLine(1, '/old', '/new/*', '301'), 'target'];
        yield [new SheetLine(1, '/old', '/new', '200'), 'status'];
        yield [new SheetLine(1, '/old', '/new', '302', '2026-02-30'), 'until'];
        yield [new SheetLine(1, '/old', '/new', '302', 'tomorrow'), 'until'];
        yield [new SheetLine(1, '/old', '/new', '302', '0000-00-00'), 'until'];
    }

    /** @param list<array{int, string, string, string}> $expected */
    #[DataProvider('files')]
    public function testReadsCsv(string $content, array $expected): void
    {
        self::assertSame(
            $expected,
            array_map(
                static fn (SheetLine $line): array => [$line->number, $line->source, $line->target, $line->status],
                $this->read($content),
            ),
        );
    }

    /** @return iterable<string, array{string, list<array{int, string, string, string}>}> */
    public static function files(): iterable
    {
        yield 'commas' => ["source,target,status\r\n/a,/b,301\r\n", [[2, '/a', '/b', '301']]];
        yield 'semicolons, a mark, other headings in another order' => [
            "\u{FEFF}Note;New URL;Old URL;Code\n;/b;/a;302\n",
            [[2, '/a', '/b', '302']],
        ];
        yield 'quotes, separators and line ends within' => [
            "from,to,note\n\"/a,1\",\"/b \"\"x\"\"\",\"two\nlines\"\n\n/c,/d,\n",
            [[2, '/a,1', '/b "x"', ''], [4, '/c', '/d', '']],
        ];
        yield 'no headings' => ["/a,/b\n/c,/d,302\n", [[1, '/a', '/b', ''], [2, '/c', '/d', '']]];
        yield 'missing cells' => ["source\ttarget\tstatus\n/a\t/b\n", [[2, '/a', '/b', '']]];
    }

    #[DataProvider('notCsv')]
    public function testWhatIsNoSuchFileIsRefusedWithTheReason(string $content, string $says): void
    {
        $this->expectException(Refused::class);
        $this->expectExceptionMessageMatches("/$says/");
        $this->read($content);
    }

    /** @return iterable<string, array{string, string}> */
    public static function notCsv(): iterable
    {
        yield 'a picture' => ["\x89PNG\r\n\x1a\n\0\0\0", 'not a CSV file'];
        yield 'a text' => ["Dear Sir\nhow are you", 'only one column'];
        yield 'nothing' => ['', 'only one column'];
        yield '300 columns' => ["source,target\n".str_repeat('x,', 300)."\n", 'Line 2 has 301 columns'];
        yield 'other columns' => ["name,price\nx,3\n", 'No column is named'];
        yield 'another encoding' => ["source,target\n/caf\xe9,/b\n", 'Line 2 is not UTF-8'];
    }

    public function testALineIsReadBackAsItWasWritten(): void
    {
        foreach (['/a', 'a,b', "two\r\nlines", '"quoted"', ' spaced ', 'semi;colon', ''] as $cell) {
            $lines = $this->read(RedirectCsv::line(RedirectCsv::HEADINGS).RedirectCsv::line(['/x', '/y', '', '', $cell]));
            self::assertSame(trim($cell), $lines[0]->note);
        }
    }

    /** @return list<SheetLine> */
    private function read(string $content): array
    {
        $file = fopen('php://memory', 'w+') ?: throw new \LogicException('No memory.');
        fwrite($file, $content);
        rewind($file);

        return array_values(iterator_to_array(RedirectCsv::read($file), false));
    }

    /** @param list<array{string, string, string}> $lines */
    private function judge(array $lines, ?RuleTable $known = null): Judgement
    {
        $sheet = array_map(static fn (array $line, int $n): SheetLine => new SheetLine($n + 1, ...$line), $lines, array_keys($lines));

        return Sheet::judge(
            $sheet,
            self::ORIGIN,
            ['/papers' => new Place('p', PlaceKind::Category, 'Papers', Address::parse('/papers'))],
            $known ?? $this->known(),
            new \DateTimeImmutable('2026-03-01'),
        );
    }

    private function known(): RuleTable
    {
        return new RuleTable([
            new Rule('k', Address::parse('/kept'), false, Goal::place('p'), RedirectStatus::ForGood),
            new Rule('c', Address::parse('/chained'), false, Goal::address(Address::parse('/target')), RedirectStatus::ForGood),
        ]);
    }
}
