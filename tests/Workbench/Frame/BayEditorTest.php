<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Frame;

use Lantern\Core\Menu\Bay;
use Lantern\Core\Refused;
use Lantern\Core\Visitor;
use Lantern\Demo\DemoId;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Frame\Frame;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Edits\History;
use Lantern\Workbench\Frame\BayEditor;
use Lantern\Workbench\Frame\FrameEditor;
use Lantern\Workbench\Pieces\LayoutMaker;

final class BayEditorTest extends ShopTestCase
{
    public function testColumnsAreOrderedDividedAndAllOfItIsTakenBack(): void
    {
        $before = $this->bays();
        $person = $this->actor();
        self::assertSame(['footer-6', 'footer-1', 'footer-2', 'footer-5', 'footer-3', 'footer-4'], $this->footer());
        $this->editor()->shift('footer-2', -1, $person);
        $this->editor()->shift('footer-2', -1, $person);
        $this->editor()->shift('footer-6', 1, $person);
        self::assertSame(['footer-2', 'footer-1', 'footer-6', 'footer-5', 'footer-3', 'footer-4'], $this->footer());
        $this->editor()->share('footer-2', '3', $person);
        $this->editor()->makeBeside(DemoId::of('groups/guides'), $person);
        $this->editor()->fills('beside-'.DemoId::of('groups/guides'), false, $person);
        $this->service(LayoutMaker::class)->column('footer-1', $person);
        $history = $this->service(History::class);
        while (null !== $history->last($person)) {
            $history->undo($person);
        }
        self::assertEquals($before, $this->bays());
    }

    public function testWhatCannotBeIsRefused(): void
    {
        $person = $this->actor();
        $group = DemoId::of('groups/guides');
        $this->editor()->makeBeside($group, $person);
        $column = $this->service(LayoutMaker::class)->column('footer-3', $person);
        foreach ([
            fn () => $this->editor()->shift('footer-6', -1, $person),
            fn () => $this->editor()->shift('footer-7', 1, $person),
            fn () => $this->editor()->shift('header', 1, $person),
            fn () => $this->editor()->share('footer-1', '5', $person),
            fn () => $this->editor()->share('footer-1', "1\n", $person),
            fn () => $this->editor()->share('footer-7', '1', $person),
            fn () => $this->editor()->makeBeside($group, $person),
            fn () => $this->editor()->makeBeside(DemoId::of('categories/papers'), $person),
            fn () => $this->editor()->remove('footer-1', $person),
            fn () => $this->editor()->fills('beside-x', true, $person),
            fn () => $this->service(LayoutMaker::class)->column('footer-3', $person),
            fn () => $this->service(LayoutMaker::class)->column('header', $person),
            fn () => $this->service(LayoutMaker::class)->column('footer-7', $person),
            fn () => $this->service(FrameEditor::class)->hang('header', $column, $person),
            fn () => $this->service(FrameEditor::class)->swap('header', 'footer-3', $person),
        ] as $n => $attempt) {
            $before = $this->bays();
            try {
                $attempt();
                self::fail("Attempt $n is refused.");
            } catch (Refused) {
                self::assertSame($before, $this->bays(), "as it was after attempt $n");
            }
        }
    }

    public function testABayBesidePagesShowsThemUntilAMenuHangsThere(): void
    {
        $person = $this->actor();
        $bay = $this->editor()->makeBeside(DemoId::of('groups/guides'), $person);
        $seen = fn (): array => array_map(
            static fn ($entry): string => $entry->label.' '.\count($entry->children),
            $this->service(Frame::class)->of(
                $this->service(Copies::class)->workbench,
                Visitor::guest(new \DateTimeImmutable()),
            )[$bay]->menu->entries,
        );
        self::assertSame(['Binding guides 5'], $seen());
        $this->service(FrameEditor::class)->hang($bay, DemoId::of('menus/spring-fair'), $person);
        self::assertNotSame(['Binding guides 5'], $seen());
        $this->editor()->fills($bay, true, $person);
        self::assertSame(['Binding guides 5'], $seen());
        $this->editor()->remove($bay, $person);
        self::assertNotContains($bay, array_column($this->service(Copies::class)->workbench->menus->bays(), 'id'));
    }

    public function testWhatHungInAColumnStandsInItsPieces(): void
    {
        $column = $this->service(LayoutMaker::class)->column('footer-1', $this->actor());
        $copy = $this->service(Copies::class)->workbench;
        $laidOut = $this->service(Frame::class)->columns($copy, Visitor::guest(new \DateTimeImmutable()))['footer-1'];
        self::assertSame(
            ['heading The shop', 'links '],
            array_map(static fn ($piece): string => "{$piece->kind()->value} {$piece->label}", $laidOut->layout->pieces[0]->children),
        );
        self::assertCount(7, $laidOut->layout->pieces[0]->children[1]->links);
        self::assertArrayHasKey($column, $copy->menus->columns());
    }

    private function editor(): BayEditor
    {
        return $this->service(BayEditor::class);
    }

    /** @return list<string> */
    private function footer(): array
    {
        return array_values(array_map(
            static fn (Bay $bay): string => $bay->id,
            array_filter($this->service(Copies::class)->workbench->menus->bays(), static fn (Bay $bay): bool => $bay->isFooter()),
        ));
    }

    /** @return list<mixed> */
    private function bays(): array
    {
        return $this->workbench()->fetchAllNumeric('SELECT id, menu_id, heading, position, share, beside, fills FROM bay ORDER BY id');
    }
}
