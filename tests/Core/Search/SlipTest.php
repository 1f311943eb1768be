<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Search;

use Lantern\Core\Refused;
use Lantern\Core\Search\Rank;
use Lantern\Core\Search\SearchWord;
use Lantern\Core\Search\SearchWords;
use Lantern\Core\Search\Slip;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SlipTest extends TestCase
{
    #[DataProvider('typed')]
    public function testOneSlipIsForgivenFromFiveLettersOn(string $typed, string $word, bool $forgiven): void
    {
        self::assertSame($forgiven, Slip::isForgiven($typed, $word));
    }

    /** @return iterable<array{string, string, bool}> */
    public static function typed(): iterable
    {
        yield ['linnen', 'linen', true];
        yield ['thred', 'thread', true];
        yield ['lixen', 'linen', true];
        yield ['lniens', 'liniens', true];
        yield ['thraed', 'thread', true];
        yield ['nilen', 'linen', false];
        yield ['ilnen', 'linen', true];
        yield ['abcde', 'bcdea', false];
        yield ['abcde', 'ebcda', false];
        yield ['abcde', 'acbde', true];
        yield ['größe', 'grosse', false];
        yield ['grösse', 'grosse', true];
        yield ['linen', 'linen', false];
        yield ['line', 'linen', false];
        yield ['linnnen', 'linen', false];
        yield ['lxnxn', 'linen', false];
        yield ['linen', 'lines', true];
    }

    public function testWhatWasTypedComesBeforeWhatWasForgivenAndTitlesBeforeTheRest(): void
    {
        $linen = ['linen', 'thread'];
        self::assertSame(0, Rank::of(['thr', 'linen'], $linen, [], [], true), 'in any order, by beginnings of words');
        self::assertSame(1, Rank::of(['linen'], $linen, [], [], false));
        self::assertSame(2, Rank::of(['linen', 'valley'], $linen, ['valley'], [], true));
        self::assertSame(4, Rank::of(['linen', 'strong'], $linen, ['valley'], ['strong'], true));
        self::assertSame(6, Rank::of(['linnen', 'thred'], $linen, [], [], true));
        self::assertNull(Rank::of(['linen', 'silk'], $linen, [], [], true));
        self::assertNull(Rank::of([], $linen, [], [], true));
    }

    public function testWhatIsTypedIsReadAsWords(): void
    {
        self::assertSame(['linen', 'thread'], SearchWords::of("  Linen\u{3000}THREAD\0 ")->words);
        self::assertSame('linen thread', SearchWords::of(' Linen  Thread')->normal());
        self::assertSame(['rose', 'peacok'], SearchWords::of('(rose), peacok.')->words);
        self::assertSame(['model', 'x', '200', 'hands', '3.5'], SearchWords::of('Model X-200 hand’s 3.5')->words);
        self::assertSame(SearchWords::of("caf\u{00E9}")->words, SearchWords::of("cafe\u{0301}")->words);
        self::assertTrue(SearchWords::of(" \n ")->isNone());
        self::assertCount(8, SearchWords::of(str_repeat('a ', 200))->words);
    }

    public function testASearchWordIsASettingOfItsOwn(): void
    {
        self::assertSame('search_word.opening hours', SearchWord::setting(' Opening  HOURS '));
        self::assertSame(['hours' => 'id'], SearchWord::all(['search_word.hours' => 'id', 'search_word.gone' => '', 'name' => 'x']));
        $this->expectException(Refused::class);
        SearchWord::setting('  ');
    }
}
