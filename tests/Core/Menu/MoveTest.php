<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Menu;

use Eris\Generators;
use Eris\TestTrait;
use Lantern\Core\Menu\Difference;
use Lantern\Core\Menu\Direction;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\FillingSource;
use Lantern\Core\Menu\Gather;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\Insert;
use Lantern\Core\Menu\Lift;
use Lantern\Core\Menu\Move;
use Lantern\Core\Menu\OutsideTarget;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Position;
use Lantern\Core\Menu\Relocate;
use Lantern\Core\Menu\RelocateAll;
use Lantern\Core\Menu\Remove;
use Lantern\Core\Menu\RemoveAll;
use Lantern\Core\Menu\Rewrite;
use Lantern\Core\Menu\SelfFilling;
use Lantern\Core\Menu\Shift;
use Lantern\Core\Menu\ShiftAll;
use Lantern\Core\Menu\Together;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Refused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class MoveTest extends TestCase
{
    use TestTrait;

    private const MENU = ['Papers' => ['Marbled' => ['Combed', 'Stone'], 'Paste'], 'Tools', 'Kits'];

    /** @param array<int|string, mixed> $after */
    #[DataProvider('moves')]
    public function testChangesTheTree(Move $move, array $after): void
    {
        $before = Trees::of(self::MENU);
        $moved = $move->apply($before);
        self::assertSame($after, Trees::shape($moved));
        self::assertEquals($before, $move->inverse($before)->apply($moved), 'the inverse leads back');
    }

    /** @return iterable<string, array{Move, array<int|string, mixed>}> */
    public static function moves(): iterable
    {
        yield 'insert at the end' => [new Insert(Trees::entry('Sale'), new Position(null, 3)), [...self::MENU, 'Sale']];
        yield 'insert inside' => [
            new Insert(Trees::entry('Sale'), new Position('Tools', 0)),
            ['Papers' => self::MENU['Papers'], 'Tools' => ['Sale'], 'Kits'],
        ];
        yield 'remove, children go along' => [new Remove('Marbled'), ['Papers' => ['Paste'], 'Tools', 'Kits']];
        yield 'remove, children take the stand' => [new Lift('Marbled'), ['Papers' => ['Combed', 'Stone', 'Paste'], 'Tools', 'Kits']];
        yield 'remove a first level entry, children take the stand' => [
            new Lift('Papers'),
            ['Marbled' => ['Combed', 'Stone'], 'Paste', 'Tools', 'Kits'],
        ];
        yield 'gather' => [
            new Gather(Trees::entry('More'), new Position(null, 1), 2),
            ['Papers' => self::MENU['Papers'], 'More' => ['Tools', 'Kits']],
        ];
        yield 'up' => [new Shift('Kits', Direction::Up), ['Papers' => self::MENU['Papers'], 'Kits', 'Tools']];
        yield 'down, with all below' => [
            new Shift('Marbled', Direction::Down),
            ['Papers' => ['Paste', 'Marbled' => ['Combed', 'Stone']], 'Tools', 'Kits'],
        ];
        yield 'in' => [new Shift('Tools', Direction::In), ['Papers' => [...self::MENU['Papers'], 'Tools'], 'Kits']];
        yield 'out' => [new Shift('Paste', Direction::Out), ['Papers' => ['Marbled' => ['Combed', 'Stone']], 'Paste', 'Tools', 'Kits']];
        yield 'to any position' => [
            new Relocate('Stone', new Position(null, 1)),
            ['Papers' => ['Marbled' => ['Combed'], 'Paste'], 'Stone', 'Tools', 'Kits'],
        ];
        yield 'several up' => [new ShiftAll(['Kits', 'Tools'], Direction::Up), ['Tools', 'Kits', 'Papers' => self::MENU['Papers']]];
        yield 'several down, one of them below another' => [
            new ShiftAll(['Papers', 'Combed', 'Tools'], Direction::Down),
            ['Kits', 'Papers' => self::MENU['Papers'], 'Tools'],
        ];
        yield 'several in' => [new ShiftAll(['Tools', 'Kits'], Direction::In), ['Papers' => [...self::MENU['Papers'], 'Tools', 'Kits']]];
        yield 'several out, in their order' => [
            new ShiftAll(['Marbled', 'Paste'], Direction::Out),
            ['Papers', 'Marbled' => ['Combed', 'Stone'], 'Paste', 'Tools', 'Kits'],
        ];
        yield 'several to one position' => [
            new RelocateAll(['Kits', 'Combed', 'Paste'], new Position('Tools', 0)),
            ['Papers' => ['Marbled' => ['Stone']], 'Tools' => ['Combed', 'Paste', 'Kits']],
        ];
        yield 'several removed' => [new RemoveAll(['Kits', 'Marbled', 'Stone']), ['Papers' => ['Paste'], 'Tools']];
        yield 'several removed, children stay' => [
            new RemoveAll(['Papers', 'Marbled'], true),
            ['Combed', 'Stone', 'Paste', 'Tools', 'Kits'],
        ];
        yield 'several as one step' => [
            new Together([new Remove('Tools'), new Shift('Kits', Direction::Up)]),
            ['Kits', 'Papers' => self::MENU['Papers']],
        ];
    }

    public function testRewritingKeepsWhatStandsBelow(): void
    {
        $before = Trees::of(self::MENU);
        $move = new Rewrite(new Entry('Papers', new PlaceTarget('p'), 'All papers', enabled: false));
        $after = $move->apply($before);
        self::assertSame('All papers', $after->get('Papers')->label);
        self::assertFalse($after->get('Papers')->enabled);
        self::assertCount(2, $after->get('Papers')->children);
        self::assertEquals($before, $move->inverse($before)->apply($after));
    }

    #[DataProvider('refusals')]
    public function testRefusesWhatBreaksARule(Move $move, string $field, string $says): void
    {
        try {
            $move->apply(Trees::of(self::MENU));
            self::fail('It was not refused.');
        } catch (Refused $refused) {
            self::assertSame($field, $refused->field);
            self::assertMatchesRegularExpression("/$says/", $refused->getMessage());
        }
    }

    /** @return iterable<string, array{Move, string, string}> */
    public static function refusals(): iterable
    {
        yield 'a fourth level' => [new Insert(Trees::entry('Fine'), new Position('Combed', 0)), 'parent', 'at most 3 levels'];
        yield 'a subtree that reaches a fourth level' => [new Relocate('Marbled', new Position('Paste', 0)), 'parent', 'level 4'];
        yield 'one level in, too deep' => [
            new Together([new Relocate('Paste', new Position('Marbled', 2)), new Shift('Paste', Direction::In)]),
            'parent',
            'level 4',
        ];
        yield 'under itself' => [new Relocate('Papers', new Position('Combed', 0)), 'parent', 'under itself'];
        yield 'several, among them the line they should stand under' => [
            new RelocateAll(['Tools', 'Papers'], new Position('Combed', 0)),
            'parent',
            'under itself',
        ];
        yield 'filling itself on the last level' => [
            new Rewrite(new Entry('Combed', new Heading(), 'Combed', filling: new SelfFilling(FillingSource::Categories))),
            'filling',
            'at most 3 levels',
        ];
        yield 'two levels of categories on the second' => [
            new Rewrite(new Entry('Paste', new Heading(), 'Paste', filling: new SelfFilling(FillingSource::Categories, depth: 2))),
            'filling',
            'level 4',
        ];
        yield 'an entry that is not there' => [new Remove('Boards'), 'entry', 'no longer'];
        yield 'an entry twice' => [new Insert(Trees::entry('Tools'), new Position(null, 0)), 'entry', 'already'];
        yield 'further up than first' => [new Shift('Papers', Direction::Up), 'entry', 'first'];
        yield 'further down than last' => [new Shift('Kits', Direction::Down), 'entry', 'last'];
        yield 'in, with nothing before it' => [new Shift('Papers', Direction::In), 'entry', 'no entry before'];
        yield 'out of the first level' => [new Shift('Tools', Direction::Out), 'entry', 'first level'];
    }

    public function testAStepOfSeveralIsMadeWholeOrNotAtAll(): void
    {
        $tree = Trees::of(self::MENU);
        try {
            (new Together([new Remove('Tools'), new Shift('Papers', Direction::Up)]))->apply($tree);
            self::fail('It was not refused.');
        } catch (Refused) {
            self::assertSame(self::MENU, Trees::shape($tree));
        }
    }

    public function testEachMoveFollowedByItsInverseGivesTheSameTree(): void
    {
        $this->limitTo(250)->forAll(Generators::choose(0, 1_000_000), Generators::choose(1, 60))
            ->then(static function (int $seed, int $size): void {
                $tree = Trees::random($seed, $size);
                $random = new Randomizer(new Mt19937($seed));
                $inverses = [];
                $first = $tree;
                for ($n = 0; $n < 8; ++$n) {
                    $move = Trees::anyMove($tree, $random, "new$n");
                    try {
                        $after = $move->apply($tree);
                    } catch (Refused) {
                        continue;
                    }
                    $inverse = $move->inverse($tree);
                    self::assertEquals($tree, $inverse->apply($after), $move::class);
                    self::assertEquals($after, $inverse->inverse($after)->apply($tree), 'the inverse of the inverse, of '.$move::class);
                    array_unshift($inverses, $inverse);
                    $tree = $after;
                }
                self::assertEquals($first, (new Together($inverses))->apply($tree), 'undo is a list of inverses');
            });
    }

    public function testAMoveInALargeMenuAndItsInverseLeadBack(): void
    {
        $trees = array_map(static fn (int $seed): Tree => Trees::random($seed, 1000), range(1, 4));
        $this->limitTo(100)->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed) use ($trees): void {
            $tree = $trees[$seed % 4];
            $move = Trees::anyMove($tree, new Randomizer(new Mt19937($seed)), "new$seed");
            try {
                $after = $move->apply($tree);
            } catch (Refused) {
                return; // There is nothing to take back.
            }
            self::assertEquals($tree, $move->inverse($tree)->apply($after), $move::class);
        });
    }

    public function testOneMenuBecomesAnyOtherByTheDifferenceBetweenThem(): void
    {
        $this->limitTo(150)->forAll(
            Generators::choose(0, 1_000_000),
            Generators::choose(0, 50),
        )->then(static function (int $seed, int $size): void {
            $from = Trees::random($seed, $size);
            $to = Trees::mixed($from, $seed + 1, 12);
            $step = Difference::between($from, $to);
            self::assertEquals($to, $step->apply($from));
            self::assertEquals($from, $step->inverse($from)->apply($to));
            self::assertTrue(Difference::between($to, $to)->isNothing(), 'nothing differs from itself');
        });
    }

    public function testNoMoveMakesAMenuDeeperThanItMayBeOrLosesAnEntry(): void
    {
        $this->limitTo(150)->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $tree = Trees::random($seed, 30);
            $random = new Randomizer(new Mt19937($seed));
            for ($n = 0; $n < 20; ++$n) {
                $ids = Trees::ids($tree);
                $move = new Relocate(
                    $ids[$random->getInt(0, \count($ids) - 1)],
                    new Position($ids[$random->getInt(0, \count($ids) - 1)], $random->getInt(0, 4)),
                );
                try {
                    $after = $move->apply($tree);
                } catch (Refused) {
                    continue;
                }
                sort($ids);
                $left = Trees::ids($after);
                sort($left);
                self::assertSame($ids, $left);
                foreach ($after->entries as $entry) {
                    self::assertLessThanOrEqual(Tree::MAX_DEPTH, $entry->height());
                }
                $tree = $after;
            }
        });
    }

    public function testAnEntryIsRefusedThatCannotBe(): void
    {
        foreach ([
            'label' => static fn () => new Entry('e', new Heading(), str_repeat('x', 201)),
            'label ' => static fn () => new Entry('e', new Heading(), ' '),
            'label  ' => static fn () => new Entry('e', new Heading(), null),
            'newTab' => static fn () => new Entry('e', new PlaceTarget('p'), null, newTab: true),
            'note' => static fn () => new Entry('e', new PlaceTarget('p'), null, note: str_repeat('x', 501)),
        ] as $field => $make) {
            try {
                $make();
                self::fail("$field was not refused");
            } catch (Refused $refused) {
                self::assertSame(trim($field), $refused->field);
            }
        }
        self::assertTrue((new Entry('e', new OutsideTarget('https://example.org'), str_repeat('é', 200), newTab: true))->newTab);
    }
}
