<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Menus;

use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Menu\Direction;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\FillingOrder;
use Lantern\Core\Menu\FillingSource;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\Insert;
use Lantern\Core\Menu\Lift;
use Lantern\Core\Menu\Move;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Position;
use Lantern\Core\Menu\RelocateAll;
use Lantern\Core\Menu\Remove;
use Lantern\Core\Menu\RemoveAll;
use Lantern\Core\Menu\Rewrite;
use Lantern\Core\Menu\SelfFilling;
use Lantern\Core\Menu\Shift;
use Lantern\Core\Menu\ShiftAll;
use Lantern\Core\Menu\Together;
use Lantern\Core\Menu\Tree;
use Lantern\Core\NotThere;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\Opening;
use Lantern\Core\Refused;
use Lantern\Core\Stale;
use Lantern\Demo\DemoId;
use Lantern\Interchange\Stored\Fields;
use Lantern\Interchange\Stored\MoveCodec;
use Lantern\Reading\Copies\Copies;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Edits\History;
use Lantern\Workbench\Menus\MenuEditor;
use Lantern\Workbench\Menus\MenuLog;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Uid\UuidV7;

final class MenuEditorTest extends ShopTestCase
{
    public function testWhatIsStoredIsWhatTheMoveMakes(): void
    {
        $before = $this->tree();
        foreach ($this->moves($before) as $move) {
            $expected = $move->apply($this->tree());
            $this->make($move);
            self::assertEquals($expected, $this->tree(), $move::class);
        }
        $history = $this->service(History::class);
        while (null !== $history->last($this->actor())) {
            $history->undo($this->actor());
        }
        self::assertEquals($before, $this->tree(), 'undone to the beginning');
        while (null !== $history->undone($this->actor())) {
            $history->redo($this->actor());
        }
        self::assertEquals($expected ?? null, $this->tree(), 'and made again to the end');
    }

    public function testANewStepForgetsWhatWasUndone(): void
    {
        $this->make($this->moves($this->tree())[0]);
        $this->editor()->undo($this->menuId(), $this->actor());
        $this->make(new Insert($this->heading('Other'), new Position(null, 0)));
        $history = $this->service(History::class);
        self::assertSame(
            ['A step in the menu “Header”', null],
            [$history->last($this->actor())?->sentence, $history->undone($this->actor())],
        );
        self::assertNull($history->last($this->actor('owner')), 'each person has steps of their own');
    }

    #[TestWith(['1.5', '1.50'])]
    #[TestWith(['7', '007'])]
    #[TestWith(['1e3', '1000'])]
    #[TestWith(['0', '-0'])]
    public function testLabelsThatAreEqualAsNumbersAreTwoLabels(string $first, string $then): void
    {
        $papers = $this->tree()->entries[0];
        foreach ([$first, $then, $first] as $label) {
            $this->make(new Rewrite(new Entry($papers->id, $papers->target, $label, $this->tree()->get($papers->id)->children)));
            self::assertSame($label, $this->value('SELECT label FROM entry WHERE id = ?', $papers->id));
        }
        $this->editor()->undo($this->menuId(), $this->actor());
        self::assertSame($then, $this->tree()->get($papers->id)->label);
    }

    public function testTwoPeoplesEditsOfDifferentEntriesBothHold(): void
    {
        [$papers, $boards] = $this->tree()->entries;
        $version = $this->version();
        $this->make(new Rewrite(new Entry($papers->id, $papers->target, 'All papers')));
        $this->make(new Insert($this->heading('Theirs'), new Position(null, 0)));
        $this->editor()->move(
            $this->menuId(),
            $version,
            new Together([new Insert($this->heading('Mine'), new Position(null, 7)), new Remove($boards->id)]),
            $this->actor('owner'),
        );
        $labels = array_map(static fn (Entry $entry): ?string => $entry->label, $this->tree()->entries);
        self::assertSame(['Theirs', 'All papers'], \array_slice($labels, 0, 2));
        self::assertContains('Mine', $labels);
        self::assertNull($this->tree()->find($boards->id));
        self::assertSame([], $this->service(MenuLog::class)->alternatives($this->menuId()));
        // What each takes back is their own.
        $this->editor()->undo($this->menuId(), $this->actor('owner'));
        self::assertNotNull($this->tree()->find($boards->id));
        self::assertSame('All papers', $this->tree()->get($papers->id)->label);
    }

    public function testTwoLabelsForOneEntryAreKeptUntilSomebodyChooses(): void
    {
        $papers = $this->tree()->entries[0];
        foreach (['Theirs' => true, 'Theirs again' => false] as $theirs => $use) {
            $version = $this->version();
            $this->make(new Rewrite(new Entry($papers->id, $papers->target, $theirs)));
            $this->editor()->move(
                $this->menuId(),
                $version,
                new Rewrite(new Entry($papers->id, $papers->target, 'Mine')),
                $this->actor('owner'),
            );
            self::assertSame($theirs, $this->tree()->get($papers->id)->label, 'what came first stands');
            [$alternative] = $this->service(MenuLog::class)->alternatives($this->menuId());
            self::assertSame(
                ['calls it “Mine”', 'Imke Ravensworth'],
                [$alternative->conflict()->words($this->tree()->get($papers->id)), $alternative->person],
            );
            $this->editor()->choose($this->menuId(), $alternative->id, $use, $this->actor());
            self::assertSame($use ? 'Mine' : $theirs, $this->tree()->get($papers->id)->label);
            self::assertSame([], $this->service(MenuLog::class)->alternatives($this->menuId()));
            $this->editor()->undo($this->menuId(), $this->actor());
            $papers = $this->tree()->get($papers->id);
        }
    }

    public function testUndoingDoesNotOverwriteWhatSomebodyElseMadeOfItSince(): void
    {
        $papers = $this->tree()->entries[0];
        $this->make(new Rewrite(new Entry($papers->id, $papers->target, 'Mine')));
        $this->editor()->move(
            $this->menuId(),
            $this->version(),
            new Rewrite(new Entry($papers->id, $papers->target, 'Theirs')),
            $this->actor('owner'),
        );
        $this->editor()->undo($this->menuId(), $this->actor());
        self::assertSame('Theirs', $this->tree()->get($papers->id)->label);
        self::assertCount(1, $this->service(MenuLog::class)->alternatives($this->menuId()), 'and the wish to have it as it was is kept');
    }

    public function testAMoveThoughtOutTooLongAgoIsNotMade(): void
    {
        $version = $this->version();
        $this->make(new Insert($this->heading('First'), new Position(null, 0)));
        $this->workbench()->executeStatement('DELETE FROM journal.menu_change');
        $tree = $this->tree();
        try {
            $this->editor()->move(
                $this->menuId(),
                $version,
                new Insert($this->heading('Second'), new Position(null, 0)),
                $this->actor('owner'),
            );
            self::fail('It was made.');
        } catch (Stale $stale) {
            self::assertSame($version + 1, $stale->currentVersion);
        }
        self::assertEquals($tree, $this->tree());
    }

    public function testARefusedMoveLeavesNoTrace(): void
    {
        $before = [$this->tree(), $this->version(), $this->service(History::class)->last($this->actor())];
        $unknown = new Entry((new UuidV7())->toRfc4122(), new PlaceTarget((new UuidV7())->toRfc4122()));
        foreach ([
            new Remove('nothing'),
            new Insert($unknown, new Position(null, 0)),
            new Together([new Insert($this->heading('Half'), new Position(null, 0)), new Shift('nothing', Direction::Up)]),
        ] as $move) {
            try {
                $this->make($move);
                self::fail('It was made.');
            } catch (Refused) {
                self::assertEquals($before, [$this->tree(), $this->version(), $this->service(History::class)->last($this->actor())]);
            }
        }
    }

    public function testUndoingNothingIsRefused(): void
    {
        $this->expectException(Refused::class);
        $this->editor()->undo($this->menuId(), $this->actor());
    }

    public function testAMenuThatIsNotThere(): void
    {
        $this->expectException(NotThere::class);
        $this->editor()->move((new UuidV7())->toRfc4122(), 1, new Remove('x'), $this->actor());
    }

    public function testOnlyWhatDiffersIsWritten(): void
    {
        $this->workbench()->executeStatement('DELETE FROM journal.touched');
        $this->make(new Insert($this->heading('Last'), new Position(null, 99)));
        self::assertSame('1', $this->value("SELECT count(*) FROM journal.touched WHERE table_name = 'entry'"));
    }

    public function testMovesAreReadBackAsTheyWereWritten(): void
    {
        foreach ($this->moves($this->tree()) as $move) {
            self::assertEquals(
                $move,
                MoveCodec::decode(Fields::of(json_decode(json_encode(MoveCodec::encode($move), \JSON_THROW_ON_ERROR), true))),
            );
        }
    }

    /** @return list<Move> */
    private function moves(Tree $tree): array
    {
        [$papers, $boards] = $tree->entries;
        $rich = new Entry(
            (new UuidV7())->toRfc4122(),
            new PlaceTarget(DemoId::of('collections/reduced'), 'top'),
            'Bargains',
            [$this->heading('Below')],
            false,
            Audience::Customers,
            new Opening(new \DateTimeImmutable('2026-12-01T00:00:00+00:00'), new \DateTimeImmutable('2026-12-24T00:00:00+00:00')),
            false,
            'Ask Imke',
        );

        return [
            new Insert($rich, new Position(null, 1)),
            new Together([new Shift($rich->id, Direction::Down), new Shift($rich->id, Direction::Down)]),
            new Rewrite(new Entry($papers->id, $papers->target, 'All papers')),
            new Shift($boards->id, Direction::Up),
            new RelocateAll([$boards->id, $papers->children[0]->id], new Position(null, 3)),
            new Rewrite(new Entry(
                $boards->id,
                new PlaceTarget(
                    DemoId::of('categories/boards'),
                    '',
                    new Narrowing(['tag' => ['acid-free'], 'option.Sheet size' => ['50 × 70 cm']], 500, 2000, true),
                ),
                null,
                filling: new SelfFilling(
                    FillingSource::Products,
                    DemoId::of('categories/boards'),
                    null,
                    1,
                    3,
                    FillingOrder::Price,
                    [DemoId::of('categories/papers') => 'Words'],
                    [DemoId::of('categories/tools')],
                ),
            )),
            new ShiftAll([$papers->id], Direction::Down),
            new Lift($papers->id),
            new RemoveAll([$boards->id]),
        ];
    }

    private function heading(string $label): Entry
    {
        return new Entry((new UuidV7())->toRfc4122(), new Heading(), $label);
    }

    private function make(Move $move): void
    {
        $this->editor()->move($this->menuId(), $this->version(), $move, $this->actor());
    }

    private function tree(): Tree
    {
        return $this->service(Copies::class)->workbench->menus->tree($this->menuId());
    }

    private function version(): int
    {
        return (int) $this->value('SELECT version FROM menu WHERE id = ?', $this->menuId());
    }

    private function menuId(): string
    {
        return DemoId::of('menus/header');
    }

    private function editor(): MenuEditor
    {
        return $this->service(MenuEditor::class);
    }
}
