<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Addresses;

use Lantern\Core\Impact\TouchWords;
use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Lantern\Demo\DemoId;
use Lantern\Reading\Mentions\AddressTouches;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Addresses\AddressEditor;
use Lantern\Workbench\Addresses\AddressWish;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Publishing\Publisher;

final class AddressEditorTest extends ShopTestCase
{
    public function testTypedLinksBecomeReferencesAndAllOfItIsTakenBackAsOne(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE words SET html = html || '<p><a href="/binding-guides/care-of-paper#light">typed</a></p>' WHERE id = ?
            SQL, [DemoId::of('pages/makers')]);
        $before = $this->state();
        $judged = $this->editor()->judge([$this->wish('pages/care-of-paper', '/paper-care')]);
        self::assertSame([], $judged->problems());
        self::assertNotNull($judged->change);
        $said = implode(' ', TouchWords::all($this->service(AddressTouches::class)->of($judged->change)));
        self::assertStringContainsString('1 typed link, in “Our makers”, will be rewritten', $said);
        self::assertStringContainsString('stands in Code on the parcel label (printed code)', $said);
        self::assertSame($before, $this->state(), 'a plan does nothing');

        $edit = $this->editor()->change([$this->wish('pages/care-of-paper', '/paper-care')], $this->actor());
        self::assertSame('“Care of paper” stands at /paper-care now.', $edit->sentence);
        self::assertStringContainsString(
            '<a href="place:'.DemoId::of('pages/care-of-paper').'#light">typed</a>',
            $this->value('SELECT html FROM words WHERE id = ?', DemoId::of('pages/makers')),
        );
        $this->service(EditLog::class)->takeBack($edit, $this->actor());
        self::assertSame($before, $this->state());
    }

    public function testTwoPlacesChangeAddressesWithOneAnother(): void
    {
        $edit = $this->editor()->change(
            [$this->wish('pages/care-of-paper', '/about-us/our-makers'), $this->wish('pages/makers', '/binding-guides/care-of-paper')],
            $this->actor(),
        );
        self::assertSame('2 places have other addresses now.', $edit->sentence);
        self::assertSame('Our makers', $this->value("SELECT title FROM place WHERE address = '/binding-guides/care-of-paper'"));
        self::assertSame('0', $this->value(<<<'SQL'
            SELECT count(*) FROM redirect WHERE source IN ('/binding-guides/care-of-paper', '/about-us/our-makers')
            SQL), 'a place opens at each of them, so no redirect would be followed');
    }

    public function testAPlaceGoesWhereItsOwnWishSaysAndTheOthersWithTheNearestAbove(): void
    {
        $this->editor()->change([$this->wish('categories/papers', '/sheets'), $this->wish('categories/combed', '/combed')], $this->actor());
        self::assertSame('/combed|/sheets|/sheets/marbled|/sheets/marbled/rippled', $this->value(<<<'SQL'
            SELECT string_agg(address, '|' ORDER BY address COLLATE "C") FROM place WHERE id IN (?, ?, ?, ?)
            SQL, DemoId::of(
            'categories/papers',
        ), DemoId::of('categories/marbled'), DemoId::of('categories/combed'), DemoId::of('categories/rippled')));
        self::assertSame('/papers, /papers/*, /papers/marbled/combed', $this->value(<<<'SQL'
            SELECT string_agg(source || CASE WHEN is_prefix THEN '/*' ELSE '' END, ', ' ORDER BY source, is_prefix) FROM redirect
            WHERE origin = 'address-change' AND source LIKE '/papers%'
            SQL));
    }

    public function testWhatCannotBeIsToldLineByLineAndNothingIsDone(): void
    {
        $wishes = [
            $this->wish('pages/care-of-paper', '/tools'),
            $this->wish('pages/makers', '/makers'),
            $this->wish('pages/visit', '/makers'),
            $this->wish('pages/press', '/search'),
        ];
        $judged = $this->editor()->judge($wishes);
        self::assertStringContainsString('taken by the category “Tools”', $judged->problems()[DemoId::of('pages/care-of-paper')]);
        self::assertStringContainsString('wanted for “', $judged->problems()[DemoId::of('pages/makers')]);
        self::assertStringContainsString('wanted for “', $judged->problems()[DemoId::of('pages/visit')]);
        self::assertStringContainsString('reserved', $judged->problems()[DemoId::of('pages/press')]);
        self::assertNull($judged->change);
        $before = $this->state();
        try {
            $this->editor()->change($wishes, $this->actor());
            self::fail('It was done.');
        } catch (Refused) {
            self::assertSame($before, $this->state());
        }
    }

    public function testAnAddressThatChangedMeanwhileIsNotChangedOver(): void
    {
        $wish = new AddressWish(DemoId::of('pages/care-of-paper'), '/somewhere-before', '/x');
        $this->expectException(Refused::class);
        $this->expectExceptionMessageMatches('/Somebody gave “Care of paper” the address/');
        $this->editor()->change([$wish], $this->actor());
    }

    public function testTakenBackAfterVisitorsHaveSeenItLeavesARedirect(): void
    {
        $edit = $this->editor()->change([$this->wish('pages/care-of-paper', '/paper-care')], $this->actor());
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        $this->service(EditLog::class)->takeBack($edit, $this->actor());
        self::assertSame(DemoId::of('pages/care-of-paper'), $this->value(<<<'SQL'
            SELECT goal_place_id FROM redirect WHERE source = '/paper-care'
            SQL));
        self::assertSame('0', $this->value("SELECT count(*) FROM redirect WHERE source = '/binding-guides/care-of-paper'"));
    }

    private function editor(): AddressEditor
    {
        return $this->service(AddressEditor::class);
    }

    private function wish(string $key, string $to): AddressWish
    {
        $id = DemoId::of($key);

        return new AddressWish($id, $this->value('SELECT address FROM place WHERE id = ?', $id), $to);
    }

    /** The addresses, the redirects and the words of the workbench, apart from who changed them when. */
    private function state(): string
    {
        return $this->value(<<<'SQL'
            SELECT (SELECT jsonb_agg(address ORDER BY id) FROM place)::text || (SELECT jsonb_agg(to_jsonb(r) - 'version' - 'created_at'
            ORDER BY source, is_prefix) FROM redirect r)::text || (SELECT jsonb_agg(html ORDER BY id) FROM words)::text
            SQL);
    }
}
