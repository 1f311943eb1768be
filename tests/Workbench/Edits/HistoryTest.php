<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Edits;

use Lantern\Core\Address\Address;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\Insert;
use Lantern\Core\Menu\Position;
use Lantern\Core\Place\CollectionRule;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\PlaceParent;
use Lantern\Core\Place\Revision;
use Lantern\Core\Place\SearchListing;
use Lantern\Core\Refused;
use Lantern\Demo\DemoId;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Addresses\AddressEditor;
use Lantern\Workbench\Addresses\AddressWish;
use Lantern\Workbench\Addresses\OutsideMentions;
use Lantern\Workbench\Edits\History;
use Lantern\Workbench\Frame\FrameEditor;
use Lantern\Workbench\Menus\MenuEditor;
use Lantern\Workbench\Pieces\LayoutMaker;
use Lantern\Workbench\Places\PlaceEditor;
use Lantern\Workbench\Places\PlaceMaker;
use Lantern\Workbench\Places\PlaceRemover;
use Lantern\Workbench\Shop\ShopDetails;
use Symfony\Component\Uid\UuidV7;

/** All that a person can do, of whatever kind, is taken back in turn to the beginning, and made again in turn to the end. */
final class HistoryTest extends ShopTestCase
{
    public function testEverythingIsTakenBackInTurnAndMadeAgain(): void
    {
        $history = $this->service(History::class);
        $person = $this->actor();
        $states = [$this->everything()];
        $sentences = [];
        foreach ($this->acts() as $act) {
            $act();
            $states[] = $this->everything();
            self::assertNotSame($states[\count($states) - 2], $states[\count($states) - 1], 'something was done');
            $sentences[] = $history->last($person)?->sentence;
        }
        self::assertNotContains(null, $sentences);
        for ($n = \count($states) - 2; $n >= 0; --$n) {
            self::assertSame($sentences[$n], $history->undo($person)->sentence);
            self::assertSame($states[$n], $this->everything(), "back before: {$sentences[$n]}");
        }
        self::assertNull($history->last($person));
        foreach (\array_slice($states, 1) as $n => $state) {
            self::assertSame($sentences[$n], $history->undone($person)?->sentence);
            $history->redo($person);
            self::assertSame($state, $this->everything(), "again: {$sentences[$n]}");
        }
        self::assertNull($history->undone($person));
        for ($n = \count($states) - 2; $n >= 0; --$n) {
            $history->undo($person);
            self::assertSame($states[$n], $this->everything(), "and back once more: {$sentences[$n]}");
        }
    }

    public function testSomethingNewForgetsWhatWasUndone(): void
    {
        $history = $this->service(History::class);
        [$first, $second] = $this->acts();
        $first();
        $history->undo($this->actor());
        self::assertNotNull($history->undone($this->actor()));
        $second();
        self::assertNull($history->undone($this->actor()));
        $this->expectException(Refused::class);
        $history->redo($this->actor());
    }

    public function testWhatAnotherChangedSinceIsNotTakenBackInSilence(): void
    {
        $history = $this->service(History::class);
        $this->revise('pages/makers', new Revision(title: 'Those who make it'));
        $this->revise('pages/makers', new Revision(title: 'The makers'), 'owner');
        try {
            $history->undo($this->actor());
            self::fail('It was taken back.');
        } catch (Refused $refused) {
            self::assertStringContainsString('changed since', $refused->getMessage());
        }
        self::assertSame('The makers', $this->value('SELECT title FROM place WHERE id = ?', DemoId::of('pages/makers')));
        $this->revise('pages/visit', new Revision(title: 'Come by'));
        $this->revise('pages/visit', new Revision(summary: 'A yellow door.'), 'owner');
        $history->undo($this->actor());
        self::assertSame(
            'A yellow door.',
            $this->value('SELECT summary FROM place WHERE id = ?', DemoId::of('pages/visit')),
            'another part of the same thing stays as the other made it',
        );
    }

    /** @return list<\Closure(): mixed> */
    private function acts(): array
    {
        $person = $this->actor();
        $header = DemoId::of('menus/header');
        $byHand = $this->value(<<<'SQL'
            SELECT id FROM place WHERE kind = 'collection' AND COALESCE(rule ->> 'by', 'hand') = 'hand'
            AND EXISTS (SELECT FROM pick WHERE collection_id = place.id) ORDER BY title LIMIT 1
            SQL);
        $products = array_values(array_filter($this->workbench()->fetchFirstColumn(<<<'SQL'
            SELECT id FROM place WHERE kind = 'product' ORDER BY title LIMIT 3
            SQL), \is_string(...)));
        $version = fn (string $id): int => (int) $this->value('SELECT version FROM place WHERE id = ?', $id);
        $details = $this->service(ShopDetails::class);

        return [
            fn () => $this->revise('pages/makers', new Revision(title: 'Those who make it')),
            fn () => $this->service(MenuEditor::class)->move(
                $header,
                (int) $this->value('SELECT version FROM menu WHERE id = ?', $header),
                new Insert(new Entry((new UuidV7())->toRfc4122(), new Heading(), 'New'), new Position(null, 0)),
                $person,
            ),
            fn () => $this->revise('pages/makers', new Revision(listing: new SearchListing(false, 'Makers', 'Who makes it'))),
            fn () => $this->service(PlaceEditor::class)->writeWords(
                DemoId::of('pages/makers'),
                $version(DemoId::of('pages/makers')),
                '<p>Other words.</p>',
                $person,
            ),
            fn () => $this->service(FrameEditor::class)->notice('Another notice', $person),
            fn () => $this->revise('categories/kits', new Revision(picture: 'awl-1.svg')),
            fn () => $this->revise('categories/kits', new Revision(light: Light::Quiet)),
            fn () => $this->service(PlaceEditor::class)->pick($byHand, $version($byHand), $products, $person),
            fn () => $this->service(PlaceEditor::class)->pick($byHand, $version($byHand), array_reverse($products), $person),
            fn () => $this->service(PlaceEditor::class)->revise(
                $byHand,
                $version($byHand),
                new Revision(rule: CollectionRule::of('newest')),
                $person,
            ),
            fn () => $this->service(OutsideMentions::class)->add('profile', 'Ours elsewhere', Address::fromNormal('/papers'), $person),
            fn () => $this->service(OutsideMentions::class)->remove($this->value(<<<'SQL'
                SELECT id FROM outside_mention WHERE name = 'Ours elsewhere'
                SQL), $person),
            static fn () => $details->change(ShopDetails::version($details->all()), ['tagline' => 'Paper and thread'], $person),
            fn () => $this->service(FrameEditor::class)->hang('footer-4', DemoId::of('menus/spring-fair'), $person),
            fn () => $this->service(PlaceMaker::class)->make(PlaceKind::Page, 'Gift cards', new PlaceParent(null), $person),
            fn () => $this->service(PlaceMaker::class)->duplicate(DemoId::of('pages/makers'), $person),
            fn () => $this->service(AddressEditor::class)->change(
                [new AddressWish(DemoId::of('categories/papers'), '/papers', '/paper')],
                $person,
            ),
            fn () => $this->service(PlaceRemover::class)->remove(
                DemoId::of('pages/visit'),
                $version(DemoId::of('pages/visit')),
                \Lantern\Core\Impact\VisitorForwarding::gone(),
                $person,
            ),
            fn () => $this->service(LayoutMaker::class)->page(DemoId::of('pages/makers'), $person),
            fn () => $this->service(PlaceEditor::class)->arrange(
                DemoId::of('categories/kits'),
                $version(DemoId::of('categories/kits')),
                DemoId::of('categories/papers'),
                $person,
            ),
        ];
    }

    private function revise(string $place, Revision $revision, string $role = 'editor'): void
    {
        $id = DemoId::of($place);
        $this->service(PlaceEditor::class)->revise(
            $id,
            (int) $this->value('SELECT version FROM place WHERE id = ?', $id),
            $revision,
            $this->actor($role),
        );
    }

    /** All of the workbench but who changed it when. */
    private function everything(): string
    {
        $all = '';
        foreach (['place', 'words', 'pick', 'menu', 'entry', 'bay', 'redirect', 'setting', 'outside_mention'] as $table) {
            $without = 'pick' === $table ? "ARRAY['id']" : "ARRAY['version', 'changed_at', 'changed_by']";
            $all .= "$table: "
                .$this->value("SELECT string_agg((to_jsonb(t) - $without)::text, E'\n' ORDER BY to_jsonb(t) - $without) FROM $table t")
                ."\n";
        }

        return $all;
    }
}
