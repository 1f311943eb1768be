<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Menu;

use Eris\Generators;
use Eris\TestTrait;
use Lantern\Core\Menu\Conflict;
use Lantern\Core\Menu\Difference;
use Lantern\Core\Menu\Direction;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\FillingSource;
use Lantern\Core\Menu\Gather;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\Insert;
use Lantern\Core\Menu\Lift;
use Lantern\Core\Menu\Merge;
use Lantern\Core\Menu\Merged;
use Lantern\Core\Menu\Move;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Position;
use Lantern\Core\Menu\Relocate;
use Lantern\Core\Menu\RelocateAll;
use Lantern\Core\Menu\Remove;
use Lantern\Core\Menu\Rewrite;
use Lantern\Core\Menu\SelfFilling;
use Lantern\Core\Menu\Shift;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Refused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MergeTest extends TestCase
{
    use TestTrait;

    private const MENU = ['Papers' => ['Marbled' => ['Combed', 'Stone'], 'Paste', 'Plain'], 'Tools' => ['Folding'], 'Kits', 'Gifts'];

    /**
     * Each on an entry that no other operation touches, so any two of them have to hold together.
     *
     * @return array<string, Move>
     */
    private static function operations(): array
    {
        return [
            'insert' => new Insert(Trees::entry('Sale', Trees::entry('Ends')), new Position(null, 2)),
            'insert inside' => new Insert(Trees::entry('Horn'), new Position('Tools', 1)),
            'remove' => new Remove('Gifts'),
            'lift' => new Lift('Marbled'),
            'gather' => new Gather(Trees::entry('More'), new Position(null, 3), 0),
            'several' => new RelocateAll(['Combed', 'Stone'], new Position(null, 1)),
            'rewrite' => new Rewrite(new Entry('Plain', new PlaceTarget('p'), 'Plain sheets', enabled: false)),
            'shift' => new Shift('Kits', Direction::Up),
            'relocate' => new Relocate('Paste', new Position(null, 0)),
        ];
    }

    /** @return iterable<string, array{Move, Move}> */
    public static function pairs(): iterable
    {
        foreach (self::operations() as $a => $one) {
            foreach (self::operations() as $b => $other) {
                if ($a !== $b && ['lift', 'several'] !== [$a, $b] && ['several', 'lift'] !== [$a, $b]) {
                    yield "$a and $b" => [$one, $other];
                }
            }
        }
    }

    /** What PHP's `==` takes for one is two to a reader: numbers, leading zeros, exponents. */
    #[DataProvider('alike')]
    public function testWordsThatLookLikeOneNumberAreTwo(string $was, string $is): void
    {
        $line = static fn (string $label): Tree => new Tree([
            new Entry('one', new Heading(), $label),
            new Entry('two', new Heading(), 'two', note: $label),
        ]);
        self::assertFalse($line($was)->equals($line($is)));
        self::assertTrue($line($is)->equals(Difference::between($line($was), $line($is))->apply($line($was))));
        self::assertSame($is, Merge::of($line($was), $line($was), $line($is))->tree->entries[0]->label);
        self::assertNotSame([], Merge::of($line('x'), $line($was), $line($is))->conflicts, 'two people wanted two labels');
    }

    /** @return iterable<int, array{string, string}> */
    public static function alike(): iterable
    {
        yield ['1.5', '1.50'];
        yield ['7', '007'];
        yield ['1e3', '1000'];
        yield ['+1', '1'];
    }

    #[DataProvider('pairs')]
    public function testEditsToDifferentEntriesBothHold(Move $theirs, Move $mine): void
    {
        $base = Trees::of(self::MENU);
        $merged = Merge::of($base, $theirs->apply($base), $mine->apply($base));
        self::assertSame([], $merged->conflicts);
        self::assertEqualsCanonicalizing(
            self::facts($mine->apply($theirs->apply($base))),
            self::facts($merged->tree),
            'each entry is what it would be after one and then the other',
        );
        $other = Merge::of($base, $mine->apply($base), $theirs->apply($base));
        self::assertEqualsCanonicalizing(self::facts($other->tree), self::facts($merged->tree), 'whoever came first');
    }

    /** @param array<int|string, mixed> $stands */
    #[DataProvider('clashes')]
    public function testEditsToTheSameEntryKeepBoth(
        Move $theirs,
        Move $mine,
        array $stands,
        string $entry,
        ?string $otherwise,
        bool $isMine = true,
    ): void {
        $base = Trees::of(self::MENU);
        $merged = Merge::of($base, $theirs->apply($base), $mine->apply($base));
        self::assertSame($stands, Trees::shape($merged->tree));
        if (null === $otherwise) {
            self::assertSame([], $merged->conflicts);

            return;
        }
        self::assertSame(
            [[$entry, $otherwise, $isMine]],
            array_map(
                static fn (Conflict $one): array => [$one->entryId, $one->words($merged->tree->find($one->entryId)), $one->mine],
                $merged->conflicts,
            ),
        );
        try {
            self::assertNotEquals($merged->tree, $merged->conflicts[0]->otherwise->apply($merged->tree), 'the other wish can be chosen');
        } catch (Refused $refused) {
            self::assertContains($entry, ['Gifts', 'Kits', 'Horn'], 'only what cannot be together is refused: '.$refused->getMessage());
        }
    }

    /** @return iterable<string, array{0: Move, 1: Move, 2: array<int|string, mixed>, 3: string, 4: string|null, 5?: bool}> */
    public static function clashes(): iterable
    {
        $named = static fn (string $id, string $label): Rewrite => new Rewrite(new Entry($id, new Heading(), $label));
        $papers = self::MENU['Papers'];
        $tools = ['Folding'];
        yield 'two labels' => [$named('Kits', 'Boxes'), $named('Kits', 'Sets'), self::MENU, 'Kits', 'calls it “Sets”'];
        yield 'the same label' => [$named('Kits', 'Boxes'), $named('Kits', 'Boxes'), self::MENU, 'Kits', null];
        yield 'label and switch' => [
            $named('Kits', 'Boxes'),
            new Rewrite(new Entry('Kits', new Heading(), 'Kits', enabled: false)),
            self::MENU,
            'Kits',
            null,
        ];
        yield 'label follows, and a heading' => [
            new Rewrite(new Entry('Kits', new Heading(), 'Boxes')),
            new Rewrite(new Entry('Kits', new PlaceTarget('p'), null)), self::MENU, 'Kits', 'lets its label follow the place',
        ];
        yield 'both took it out' => [
            new Remove('Kits'),
            new Remove('Kits'),
            ['Papers' => $papers, 'Tools' => $tools, 'Gifts'],
            'Kits',
            null,
        ];
        yield 'they took out what I renamed' => [
            new Remove('Kits'),
            $named('Kits', 'Sets'),
            ['Papers' => $papers, 'Tools' => $tools, 'Kits', 'Gifts'],
            'Kits',
            'takes it out of the menu',
            false,
        ];
        yield 'I took out what they renamed' => [
            $named('Kits', 'Sets'),
            new Remove('Kits'),
            self::MENU,
            'Kits',
            'takes it out of the menu',
        ];
        yield 'I took out what they put something under' => [
            new Insert(Trees::entry('Horn'), new Position('Tools', 0)),
            new Remove('Tools'),
            ['Papers' => $papers, 'Tools' => ['Horn', 'Folding'], 'Kits', 'Gifts'],
            'Tools',
            'takes it out of the menu',
        ];
        yield 'I took out the branch in which they renamed a leaf' => [
            $named('Combed', 'Feathered'),
            new Remove('Papers'),
            self::MENU,
            'Papers',
            'takes it out of the menu',
        ];
        yield 'they lifted what I renamed a child of' => [
            new Lift('Marbled'),
            $named('Combed', 'Feathered'),
            ['Papers' => ['Combed', 'Stone', 'Paste', 'Plain'], 'Tools' => $tools, 'Kits', 'Gifts'],
            'Combed',
            null,
        ];
        yield 'they moved a child out of what I took out' => [
            new Relocate('Folding', new Position(null, 0)),
            new Remove('Tools'),
            ['Folding', 'Papers' => $papers, 'Kits', 'Gifts'],
            'Folding',
            'takes it out of the menu',
        ];
        yield 'two positions' => [
            new Relocate('Kits', new Position('Tools', 0)),
            new Relocate('Kits', new Position('Papers', 0)),
            ['Papers' => $papers, 'Tools' => ['Kits', 'Folding'], 'Gifts'],
            'Kits',
            'puts it in another position',
        ];
        yield 'each under the other' => [
            new Relocate('Kits', new Position('Gifts', 0)),
            new Relocate('Gifts', new Position('Kits', 0)),
            ['Papers' => $papers, 'Tools' => $tools, 'Gifts' => ['Kits']],
            'Gifts',
            'puts it in another position',
        ];
        yield 'too deep together' => [
            new Relocate('Tools', new Position('Papers', 0)),
            new Relocate('Kits', new Position('Folding', 0)),
            ['Papers' => ['Tools' => ['Folding'], ...$papers], 'Kits', 'Gifts'], 'Kits', 'puts it in another position',
        ];
        yield 'a new one too deep together' => [
            new Relocate('Tools', new Position('Papers', 0)),
            new Insert(Trees::entry('Horn'), new Position('Folding', 0)),
            ['Papers' => ['Tools' => ['Folding', 'Horn'], ...$papers], 'Kits', 'Gifts'], 'Horn', 'puts it in another position',
        ];
    }

    public function testALineThatFillsItselfIsNotPushedTooDeepByAMove(): void
    {
        $base = Trees::of(self::MENU);
        $filling = new Rewrite(new Entry('Folding', new Heading(), 'Folding', filling: new SelfFilling(FillingSource::Categories)));
        $merged = Merge::of($base, (new Relocate('Tools', new Position('Papers', 0)))->apply($base), $filling->apply($base));
        self::assertNull($merged->tree->get('Folding')->filling);
        self::assertSame('fills it otherwise', $merged->conflicts[0]->words($merged->tree->get('Folding')));
    }

    public function testMergingIsNeutralWhereOnlyOneDidSomething(): void
    {
        $this->limitTo(120)->forAll(
            Generators::choose(0, 1_000_000),
            Generators::choose(1, 60),
        )->then(static function (int $seed, int $size): void {
            $base = Trees::random($seed, $size);
            $other = Trees::mixed($base, $seed + 1, 10);
            self::assertEquals(new Merged($other, []), Merge::of($base, $other, $base));
            self::assertEquals(new Merged($other, []), Merge::of($base, $base, $other));
            self::assertEquals(new Merged($other, []), Merge::of($base, $other, $other));
        });
    }

    public function testItComesToAnEndWhateverTwoPeopleDo(): void
    {
        // Found by trying: both sides kept handing one entry back to the other.
        $base = Trees::random(392, 33);
        $merged = Merge::of($base, Trees::mixed($base, 393, 6), Trees::mixed($base, 394, 6));
        self::assertLessThanOrEqual(
            Tree::MAX_DEPTH,
            max([0, ...array_map(static fn (Entry $entry): int => $entry->height(), $merged->tree->entries)]),
        );
    }

    public function testNothingIsLostAndNoRuleIsBrokenWhateverTwoPeopleDo(): void
    {
        $this->limitTo(300)->forAll(
            Generators::choose(0, 1_000_000),
            Generators::choose(1, 40),
        )->then(static function (int $seed, int $size): void {
            $base = Trees::random($seed, $size);
            $theirs = Trees::mixed($base, $seed + 1, 6);
            $mine = Trees::mixed($base, $seed + 2, 6);
            $merged = Merge::of($base, $theirs, $mine);
            $ids = array_column(self::facts($merged->tree), 0);
            self::assertSame($ids, array_values(array_unique($ids)), 'each entry once');
            $depths = array_map(static fn (Entry $entry): int => $entry->height(), $merged->tree->entries);
            self::assertLessThanOrEqual(Tree::MAX_DEPTH, max([0, ...$depths]));
            $removed = [];
            foreach ($base->all() as $entry) {
                if (null === $theirs->find($entry->id) || null === $mine->find($entry->id)) {
                    $removed[] = $entry->id;
                }
            }
            foreach ([$theirs, $mine] as $side) {
                foreach ($side->all() as $entry) {
                    self::assertTrue(\in_array($entry->id, $removed, true) || \in_array($entry->id, $ids, true), "$entry->id is lost");
                }
            }
            foreach ($merged->conflicts as $conflict) {
                self::assertNotNull($merged->tree->find($conflict->entryId));
            }
        });
    }

    /** @return list<array{string, string, bool, string|null}> each entry with its label, its switch and its parent */
    private static function facts(Tree $tree): array
    {
        $facts = [];
        foreach ($tree->all() as $entry) {
            $facts[] = [$entry->id, (string) $entry->label, $entry->enabled, $tree->positionOf($entry->id)->parentId];
        }

        return $facts;
    }
}
