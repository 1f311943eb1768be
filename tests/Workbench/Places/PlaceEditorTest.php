<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Places;

use Lantern\Core\Answer\Answerer;
use Lantern\Core\Person\Actor;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Revision;
use Lantern\Core\Refused;
use Lantern\Core\Stale;
use Lantern\Core\Visitor;
use Lantern\Demo\DemoId;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Releases\ReleaseReader;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Addresses\AddressEditor;
use Lantern\Workbench\Addresses\AddressWish;
use Lantern\Workbench\Places\PlaceEditor;
use Lantern\Workbench\Publishing\Publisher;

final class PlaceEditorTest extends ShopTestCase
{
    public function testAnAddressChangeMakesItsRedirectByItself(): void
    {
        $this->move('pages/care-of-paper', '/binding-guides/looking-after-paper');
        self::assertSame('301 /binding-guides/looking-after-paper', $this->answer('/binding-guides/care-of-paper'));
        self::assertSame('200 ', $this->answer('/binding-guides/care-of-paper', live: true), 'visitors see nothing of it yet');
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        self::assertSame('301 /binding-guides/looking-after-paper', $this->answer('/binding-guides/care-of-paper', live: true));
        self::assertSame('200 ', $this->answer('/binding-guides/looking-after-paper', live: true));
    }

    public function testAnAddressThatIsTakenBackLeavesNoRedirect(): void
    {
        $redirects = $this->value('SELECT count(*) FROM redirect');
        $this->move('pages/care-of-paper', '/paper-care');
        $this->move('pages/care-of-paper', '/care');
        $this->move('pages/care-of-paper', '/binding-guides/care-of-paper');
        self::assertSame($redirects, $this->value('SELECT count(*) FROM redirect'));
        self::assertSame([], $this->service(ReleaseReader::class)->waiting()->changes);
    }

    public function testACategoryTakesAlongWhatStandsBelow(): void
    {
        $this->move('categories/papers', '/sheets', carry: true);
        foreach ([
            '/papers' => '/sheets',
            '/papers/marbled/combed' => '/sheets/marbled/combed',
            '/papers/paste' => '/sheets/paste',
        ] as $old => $new) {
            self::assertSame("301 $new", $this->answer($old));
            self::assertSame('200 ', $this->answer($new));
        }
        self::assertSame('1', $this->value("SELECT count(*) FROM redirect WHERE source = '/papers' AND is_prefix"));
        self::assertSame('1', $this->value("SELECT count(*) FROM redirect WHERE origin = 'address-change' AND NOT is_prefix"));
        $this->move('categories/papers', '/papers', carry: true);
        self::assertSame([], $this->service(ReleaseReader::class)->waiting()->changes, 'and back again, as one change');
    }

    public function testTwoMovesInARowAreStillOneHop(): void
    {
        $this->move('categories/papers', '/sheets', carry: true);
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        $this->move('categories/papers', '/leaves', carry: true);
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        foreach (['/papers/marbled', '/sheets/marbled', '/marbled-papers', '/paper-marbling'] as $old) {
            self::assertSame('301 /leaves/marbled', $this->answer($old, live: true), $old);
        }
        foreach ($this->service(Copies::class)->live->rules->concernedBy([], []) as $rule) {
            self::assertNotContains($rule->goal->address?->path, ['/papers', '/sheets'], 'no prefix redirect leads into another');
        }
    }

    public function testARefusedAddressChangesNothing(): void
    {
        foreach (['/papers' => 'taken', '/search' => 'reserved', '/a_b' => 'hyphens'] as $address => $says) {
            try {
                $this->move('pages/care-of-paper', $address);
                self::fail("$address was taken.");
            } catch (Refused $refused) {
                self::assertStringContainsString($says, $refused->getMessage());
            }
        }
        self::assertSame([], $this->service(ReleaseReader::class)->waiting()->changes);
    }

    public function testLightAndTitle(): void
    {
        $id = DemoId::of('categories/calendar-kits');
        $this->editor()->revise($id, $this->version($id), new Revision(title: '  Almanac   kits ', light: Light::Quiet), $this->actor());
        self::assertSame('Almanac kits quiet Joss Tamblyn', $this->value(<<<'SQL'
            SELECT title || ' ' || light || ' ' || changed_by FROM place WHERE id = ?
            SQL, $id));
    }

    public function testAFixedPlaceIsNeverClosed(): void
    {
        $id = DemoId::of('fixed/front');
        $this->expectException(Refused::class);
        $this->editor()->revise($id, $this->version($id), new Revision(light: Light::Closed), $this->actor());
    }

    public function testAStaleEditIsNotMade(): void
    {
        $id = DemoId::of('categories/papers');
        $version = $this->version($id);
        $this->editor()->revise($id, $version, new Revision(title: 'Sheets'), $this->actor('owner'));
        $this->expectException(Stale::class);
        $this->editor()->revise($id, $version, new Revision(title: 'Leaves'), $this->actor());
    }

    private function move(string $key, string $address, bool $carry = false): void
    {
        $id = DemoId::of($key);
        $this->service(AddressEditor::class)->change(
            [new AddressWish($id, $this->value('SELECT address FROM place WHERE id = ?', $id), $address, $carry)],
            $this->actor(),
        );
    }

    private function answer(string $path, bool $live = false): string
    {
        $copies = $this->service(Copies::class);
        $copy = $live ? $copies->live : $copies->workbench;
        $answer = (new Answerer($copy->places, $copy->rules))->answer($path, Visitor::guest(new \DateTimeImmutable()));

        return $answer->status.' '.$answer->location;
    }

    private function version(string $id): int
    {
        return (int) $this->value('SELECT version FROM place WHERE id = ?', $id);
    }

    private function editor(): PlaceEditor
    {
        return $this->service(PlaceEditor::class);
    }
}
