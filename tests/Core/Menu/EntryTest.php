<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Menu;

use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\EntryPart;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\OutsideTarget;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\Opening;
use Lantern\Core\Refused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class EntryTest extends TestCase
{
    #[TestWith(['1.5', '1.50'])]
    #[TestWith(['7', '007'])]
    #[TestWith(['1e3', '1000'])]
    #[TestWith(['0x1A', '26'])]
    #[TestWith([' Sale', 'Sale'])]
    public function testLabelsAreHeldAgainstEachOtherLetterByLetter(string $one, string $other): void
    {
        self::assertFalse((new Entry('a', new Heading(), $one))->isSameLine(new Entry('a', new Heading(), $other)));
        self::assertFalse((new Entry('a', new Heading(), 'x', note: $one))->equals(new Entry('a', new Heading(), 'x', note: $other)));
        self::assertFalse((new Narrowing(['tag' => [$one]]))->equals(new Narrowing(['tag' => [$other]])));
    }

    #[DataProvider('others')]
    public function testEachPartDiffersByItself(Entry $other, EntryPart $part): void
    {
        $entry = new Entry('a', new PlaceTarget('p'), 'Label');
        self::assertFalse($entry->equals($other));
        foreach (EntryPart::cases() as $one) {
            self::assertSame($one !== $part, $one->isSame($entry, $other), $one->name);
        }
        self::assertTrue(EntryPart::together('a', static fn (): Entry => $other)->equals($other), 'taken part by part it is the same');
    }

    /** @return iterable<array{Entry, EntryPart}> */
    public static function others(): iterable
    {
        $target = new PlaceTarget('p');
        yield [new Entry('a', new PlaceTarget('q'), 'Label'), EntryPart::Target];
        yield [new Entry('a', new PlaceTarget('p', 'part'), 'Label'), EntryPart::Target];
        yield [new Entry('a', new PlaceTarget('p', '', new Narrowing(['tag' => ['gift']])), 'Label'), EntryPart::Target];
        yield [new Entry('a', $target, null), EntryPart::Label];
        yield [new Entry('a', $target, 'Label', enabled: false), EntryPart::Enabled];
        yield [new Entry('a', $target, 'Label', audience: Audience::Customers), EntryPart::Audience];
        yield [new Entry('a', $target, 'Label', opening: new Opening(new \DateTimeImmutable('2027-01-01'))), EntryPart::Opening];
        yield [new Entry('a', $target, 'Label', note: 'n'), EntryPart::Note];
    }

    public function testTheSameMomentInAnotherZoneIsNoOtherOpening(): void
    {
        $one = new Entry('a', new Heading(), 'x', opening: new Opening(new \DateTimeImmutable('2027-01-01T00:00:00Z')));
        self::assertTrue($one->equals(new Entry(
            'a',
            new Heading(),
            'x',
            opening: new Opening(new \DateTimeImmutable('2027-01-01T05:45:00+05:45')),
        )));
    }

    /** @param \Closure(): mixed $make */
    #[DataProvider('refused')]
    public function testWhatNoLineCanBe(\Closure $make, string $field): void
    {
        try {
            $make();
            self::fail('It was made.');
        } catch (Refused $refused) {
            self::assertSame($field, $refused->field);
        }
    }

    /** @return iterable<array{\Closure(): mixed, string}> */
    public static function refused(): iterable
    {
        yield [static fn (): Entry => new Entry('a', new Heading()), 'label'];
        yield [static fn (): Entry => new Entry('a', new Heading(), " \u{3000}"), 'label'];
        yield [static fn (): Entry => new Entry('a', new Heading(), str_repeat('ä', 201)), 'label'];
        yield [static fn (): Entry => new Entry('a', new PlaceTarget('p'), null, newTab: true), 'newTab'];
        yield [static fn (): Entry => new Entry('a', new OutsideTarget('https://example.org/'), 'x', note: str_repeat('n', 501)), 'note'];
        yield [
            static fn (): Opening => new Opening(new \DateTimeImmutable('2027-01-02'), new \DateTimeImmutable('2027-01-01')),
            'closesOn',
        ];
        yield [static fn (): Opening => new Opening(new \DateTimeImmutable('9999-12-31T23:59:59-01:00')), 'opensOn'];
        yield [static fn (): Narrowing => new Narrowing(priceFrom: 2, priceTo: 1), 'narrowing'];
        yield [static fn (): Narrowing => new Narrowing(['option.' => ['Size']]), 'filter'];
    }
}
