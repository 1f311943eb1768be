<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Address;

use Eris\Generators;
use Eris\TestTrait;
use Lantern\Core\Address\Slug;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SlugTest extends TestCase
{
    use TestTrait;

    #[DataProvider('titles')]
    public function testIsMadeFromATitle(string $title, string $slug): void
    {
        self::assertSame($slug, Slug::fromTitle($title)->text);
    }

    /** @return iterable<array{string, string}> */
    public static function titles(): iterable
    {
        yield ['Marbled papers', 'marbled-papers'];
        yield ['  Boards & cloth — the lot!  ', 'boards-cloth-the-lot'];
        yield ['Straße und Café', 'strasse-und-cafe'];
        yield ['Книги и альбомы', 'knigi-i-albomy'];
        yield ['Βιβλιοδεσία', 'bibliodesia'];
        yield ['かみ', 'kami'];
        yield ['snake_case_title', 'snake-case-title'];
        yield ['50 × 70 cm', '50-70-cm'];
        yield ['日本', 'ri-ben'];
        yield ['…', 'page'];
        yield ["broken \xFF bytes", 'broken-bytes'];
    }

    public function testIsCutBetweenWords(): void
    {
        $slug = Slug::fromTitle(str_repeat('marbled ', 20))->text;
        self::assertSame(rtrim(str_repeat('marbled-', 10), '-'), $slug);
        self::assertSame(80, \strlen(Slug::fromTitle(str_repeat('x', 100))->text));
        self::assertSame(str_repeat('a', 80), Slug::fromTitle(str_repeat('a', 80).' b')->text);
    }

    public function testTakesTheKindsNameWhereNothingIsLeft(): void
    {
        self::assertSame('page-group', Slug::fromTitle('***', 'page-group')->text);
    }

    public function testIsUniqueAmongItsSiblings(): void
    {
        $taken = ['papers', 'papers-2'];
        self::assertSame(
            'papers-3',
            Slug::fromTitle('Papers')->unlessTaken(static fn (string $slug): bool => \in_array($slug, $taken, true))->text,
        );
        self::assertSame('tools', Slug::fromTitle('Tools')->unlessTaken(static fn (): bool => false)->text);
        $long = str_repeat('a', 80);
        self::assertSame(
            str_repeat('a', 78).'-2',
            Slug::fromTitle($long)->unlessTaken(static fn (string $slug): bool => $slug === $long)->text,
        );
    }

    public function testHasOneFormWhateverTheTitle(): void
    {
        $this->limitTo(300)->forAll(Generators::string())->then(static function (string $title): void {
            $slug = Slug::fromTitle($title)->text;
            self::assertMatchesRegularExpression('/^[a-z0-9]+(-[a-z0-9]+)*$/', $slug);
            self::assertLessThanOrEqual(Slug::MAX_LENGTH, \strlen($slug));
            self::assertSame($slug, Slug::fromTitle($slug)->text);
        });
    }
}
