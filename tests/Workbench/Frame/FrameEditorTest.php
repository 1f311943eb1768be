<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Frame;

use Lantern\Core\Menu\HeaderWithoutMenu;
use Lantern\Core\NotThere;
use Lantern\Core\Refused;
use Lantern\Core\Shop\HeaderShape;
use Lantern\Core\Visitor;
use Lantern\Demo\DemoId;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Frame\Frame;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Edits\History;
use Lantern\Workbench\Frame\FrameEditor;
use Symfony\Component\Uid\UuidV7;

final class FrameEditorTest extends ShopTestCase
{
    public function testMenusAreHungSwappedAndTakenDown(): void
    {
        $this->editor()->hang('footer-3', DemoId::of('menus/spring-fair'), $this->actor());
        self::assertSame(DemoId::of('menus/spring-fair'), $this->hung('footer-3'));
        $this->editor()->hang('footer-4', DemoId::of('menus/spring-fair'), $this->actor());
        self::assertSame($this->hung('footer-3'), $this->hung('footer-4'), 'one menu may hang in several bays');
        $this->editor()->swap('header', 'footer-3', $this->actor());
        self::assertSame([DemoId::of('menus/spring-fair'), DemoId::of('menus/header')], [$this->hung('header'), $this->hung('footer-3')]);
        $this->editor()->hang('footer-4', null, $this->actor());
        self::assertNull($this->hung('footer-4'));
    }

    public function testEveryChangeIsTakenBackByWhoMadeIt(): void
    {
        $before = $this->everything();
        $person = $this->actor();
        $this->editor()->hang('footer-3', DemoId::of('menus/spring-fair'), $person);
        $this->editor()->swap('header', 'footer-3', $person);
        $this->editor()->heading('footer-3', 'Once a header', $person);
        $made = $this->editor()->make('Winter', 'footer-5', $person);
        $this->editor()->rename($made, 'Deep winter', $person);
        $this->editor()->remove(DemoId::of('menus/footer-help'), true, $person);
        $this->editor()->notice('Closed on Friday.', $person);
        $this->editor()->withoutMenu(HeaderWithoutMenu::Nothing, $person);
        $this->editor()->header(HeaderShape::OPENS, 'click', $person);
        self::assertNotEquals($before, $this->everything());
        $history = $this->service(History::class);
        self::assertNull($history->last($this->actor('owner')), 'nobody takes back what another did');
        while (null !== $history->last($person)) {
            $history->undo($person);
        }
        self::assertEquals($before, $this->everything());
        $this->expectException(Refused::class);
        $history->undo($person);
    }

    public function testRemovingAMenuThatHangsSaysWhere(): void
    {
        $before = $this->everything();
        try {
            $this->editor()->remove(DemoId::of('menus/header'), false, $this->actor());
            self::fail('It was removed.');
        } catch (Refused $refused) {
            self::assertStringContainsString('hangs in the header', $refused->getMessage());
        }
        self::assertEquals($before, $this->everything());
        $this->editor()->remove(DemoId::of('menus/spring-fair'), false, $this->actor());
        self::assertSame('0', $this->value('SELECT count(*) FROM entry WHERE menu_id = ?', DemoId::of('menus/spring-fair')));
    }

    public function testWhatAHeaderWithoutAMenuShowsIsChosen(): void
    {
        $this->editor()->hang('header', null, $this->actor());
        [$shop] = $this->frame()['header']->menu->entries;
        self::assertSame('Papers', $shop->children[0]->label);
        self::assertSame('Marbled papers', $shop->children[0]->children[0]->label);
        $this->editor()->withoutMenu(HeaderWithoutMenu::Nothing, $this->actor());
        self::assertSame([], $this->frame()['header']->menu->entries);
    }

    public function testThePhonesDrawerHasTheHeadersMenuOrItsOwn(): void
    {
        self::assertEquals($this->frame()['header']->menu, $this->frame()['drawer']->menu);
        $this->editor()->hang('drawer', DemoId::of('menus/spring-fair'), $this->actor());
        self::assertSame('Small gifts', $this->frame()['drawer']->menu->entries[0]->label);
    }

    public function testBadInputIsRefused(): void
    {
        foreach ([
            fn () => $this->editor()->hang('attic', DemoId::of('menus/header'), $this->actor()),
            fn () => $this->editor()->hang('header', (new UuidV7())->toRfc4122(), $this->actor()),
            fn () => $this->editor()->swap('header', 'header', $this->actor()),
            fn () => $this->editor()->make(' ', null, $this->actor()),
            fn () => $this->editor()->notice(str_repeat('x', 301), $this->actor()),
        ] as $n => $change) {
            $before = $this->everything();
            try {
                $change();
                self::fail("$n was accepted");
            } catch (Refused|NotThere) {
                self::assertEquals($before, $this->everything());
            }
        }
    }

    /** @return array<string, \Lantern\Core\Menu\HungMenu> */
    private function frame(): array
    {
        return $this->service(Frame::class)->of($this->service(Copies::class)->workbench, Visitor::guest(new \DateTimeImmutable()));
    }

    private function hung(string $bay): ?string
    {
        return $this->value('SELECT menu_id FROM bay WHERE id = ?', $bay) ?: null;
    }

    /** @return list<string> */
    private function everything(): array
    {
        return array_map(fn (string $table): string => (string) $this->value(<<<SQL
            SELECT jsonb_agg(to_jsonb(t) - ARRAY['changed_at', 'version'] ORDER BY t.id) FROM $table t
            SQL), ['bay', 'setting', 'menu', 'entry']);
    }

    private function editor(): FrameEditor
    {
        return $this->service(FrameEditor::class);
    }
}
