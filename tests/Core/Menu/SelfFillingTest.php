<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Menu;

use Lantern\Core\Address\Address;
use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\FillingOrder;
use Lantern\Core\Menu\FillingSource;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\ResolvedEntry;
use Lantern\Core\Menu\ResolvedMenu;
use Lantern\Core\Menu\Resolver;
use Lantern\Core\Menu\SelfFilling;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Opening;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Refused;
use Lantern\Core\Visitor;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SelfFillingTest extends TestCase
{
    private const NOW = '2026-03-01T12:00:00Z';

    public function testChildrenComeInTheOrderOfTheRuleAfterThoseMadeByHand(): void
    {
        $filling = new SelfFilling(FillingSource::Categories, most: 3, labels: ['b' => 'Bee'], leftOut: ['c']);
        $entry = new Entry('e', new Heading(), 'Shop', [new Entry('own', new PlaceTarget('d'), 'Pinned')], filling: $filling);
        $resolved = $this->resolve(
            $entry,
            [
                $this->place('a'),
                $this->place('b'),
                $this->place('c'),
                $this->place('d'),
                $this->place('quiet', light: Light::Quiet),
                $this->place('f'),
                $this->place('g'),
            ],
        );
        self::assertSame(
            ['Pinned', 'a', 'Bee', 'f'],
            array_map(static fn (ResolvedEntry $child): string => $child->label, $resolved->entries[0]->children),
            'pinned first and once, renamed, left out, quiet ones never, and no more than asked for',
        );
        self::assertSame(
            [false, true, true, true],
            array_map(static fn (ResolvedEntry $child): bool => $child->filled, $resolved->entries[0]->children),
        );
    }

    public function testTwoLevelsStandBelowOneAnother(): void
    {
        $resolved = $this->resolve(
            new Entry('e', new Heading(), 'Shop', filling: new SelfFilling(FillingSource::Categories, depth: 2)),
            [$this->place('a'), $this->place('a1', 'a'), $this->place('b'), $this->place('a2', 'a')],
        );
        self::assertSame(
            [['a', ['a1', 'a2']], ['b', []]],
            array_map(
                static fn (ResolvedEntry $child): array => [
                    $child->label,
                    array_map(static fn (ResolvedEntry $below): string => $below->label, $child->children),
                ],
                $resolved->entries[0]->children,
            ),
        );
    }

    public function testADateOfAChildIsADateOfTheMenu(): void
    {
        $opens = new \DateTimeImmutable('2026-03-05T00:00:00Z');
        $resolved = $this->resolve(
            new Entry('e', new Heading(), 'Shop', filling: new SelfFilling(FillingSource::Categories)),
            [$this->place('a'), $this->place('b', opening: new Opening($opens))],
        );
        self::assertCount(1, $resolved->entries[0]->children);
        self::assertEquals($opens, $resolved->nextChange);
    }

    public function testAHeadingThatNothingFillsIsLeftOut(): void
    {
        $resolved = $this->resolve(new Entry('e', new Heading(), 'Shop', filling: new SelfFilling(FillingSource::Categories)), []);
        self::assertSame([], $resolved->entries);
        self::assertSame('nothing-below', $resolved->leftOut[0]->reason->value);
    }

    #[DataProvider('impossible')]
    public function testWhatCannotBeIsRefused(\Closure $make, string $says): void
    {
        $this->expectException(Refused::class);
        $this->expectExceptionMessageMatches("/$says/");
        $make();
    }

    /** @return iterable<array{\Closure, string}> */
    public static function impossible(): iterable
    {
        yield [static fn () => new SelfFilling(FillingSource::Categories, most: 0), '1 to 50'];
        yield [static fn () => new SelfFilling(FillingSource::Categories, most: 51), '1 to 50'];
        yield [static fn () => new SelfFilling(FillingSource::Categories, depth: 3), 'two levels'];
        yield [static fn () => new SelfFilling(FillingSource::Pages), 'page group'];
        yield [static fn () => new SelfFilling(FillingSource::Pages, 'p', depth: 2), 'two levels'];
        yield [static fn () => new SelfFilling(FillingSource::Categories, order: FillingOrder::Price), 'price'];
        yield [static fn () => new SelfFilling(FillingSource::Newest), 'which kind'];
        yield [static fn () => new SelfFilling(FillingSource::Newest, kind: PlaceKind::Search), 'which kind'];
        yield [static fn () => new SelfFilling(FillingSource::Categories, labels: ['p' => ' ']), 'label'];
        yield [static fn () => new Narrowing(priceFrom: 900, priceTo: 500), 'highest price'];
        yield [static fn () => new PlaceTarget('p', 'part', new Narrowing(['tag' => ['gift']])), 'not to both'];
    }

    /** @param list<Place> $candidates */
    private function resolve(Entry $entry, array $candidates): ResolvedMenu
    {
        $places = array_combine(array_map(static fn (Place $place): string => $place->id, $candidates), $candidates);

        return Resolver::resolve(new Tree([$entry]), $places, Visitor::guest(new \DateTimeImmutable(self::NOW)), ['e' => $candidates]);
    }

    private function place(string $id, ?string $parent = null, Light $light = Light::Open, Opening $opening = new Opening()): Place
    {
        return new Place($id, PlaceKind::Category, $id, Address::parse("/$id"), $parent, $light, $opening);
    }
}
