<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Places;

use Lantern\Core\Impact\TouchWords;
use Lantern\Core\Person\Actor;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\PlaceParent;
use Lantern\Core\Place\Revision;
use Lantern\Core\Policy\StartingText;
use Lantern\Core\Refused;
use Lantern\Core\Stale;
use Lantern\Demo\DemoId;
use Lantern\Reading\Releases\ReleaseReader;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Places\ManyPlaces;
use Lantern\Workbench\Places\PlaceEditor;
use Lantern\Workbench\Places\PlaceMaker;
use Lantern\Workbench\Policies\PolicyWriter;
use Lantern\Workbench\Publishing\Publisher;
use Lantern\Workbench\Shop\ShopDetails;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Process\Process;

final class PlaceMakerTest extends ShopTestCase
{
    public function testANewPlaceStandsWhereItBelongs(): void
    {
        $id = $this->maker()->make(PlaceKind::Page, 'Care of paper', new PlaceParent(DemoId::of('groups/guides')), $this->actor());
        self::assertSame(
            '/binding-guides/care-of-paper-2',
            $this->value('SELECT address FROM place WHERE id = ?', $id),
            'the other one has the first',
        );
        self::assertSame('Joss Tamblyn', $this->value('SELECT changed_by FROM place WHERE id = ?', $id));
        $article = $this->maker()->make(PlaceKind::Article, 'A new press', new PlaceParent(null), $this->actor());
        self::assertSame('/journal/a-new-press '.DemoId::of('fixed/journal'), $this->value(<<<'SQL'
            SELECT address || ' ' || parent_id FROM place WHERE id = ?
            SQL, $article));
        self::assertSame(
            '/calendars-2',
            $this->value(
                'SELECT address FROM place WHERE id = ?',
                $this->maker()->make(PlaceKind::Page, 'Calendars', new PlaceParent(null), $this->actor()),
            ),
            'where a redirect begins nothing else begins by accident',
        );
    }

    #[TestWith([PlaceKind::Product])]
    #[TestWith([PlaceKind::FrontPage])]
    #[TestWith([PlaceKind::File])]
    public function testWhatIsNotMadeHereIsRefused(PlaceKind $kind): void
    {
        $this->expectException(Refused::class);
        $this->maker()->make($kind, 'A thing', new PlaceParent(null), $this->actor());
    }

    public function testACopyHasTheWordsAndTheListingButNeverTheAddress(): void
    {
        $from = DemoId::of('collections/first-binding');
        $this->workbench()->executeStatement("UPDATE place SET listed = false, listing_title = 'Begin' WHERE id = ?", [$from]);
        $this->service(PlaceEditor::class)->writeWords($from, 1, '<p>Words</p>', $this->actor());
        $copy = $this->maker()->duplicate($from, $this->actor());
        self::assertSame(
            'Copy of Your first binding|/collections/copy-of-your-first-binding|quiet|f|Begin|<p>Words</p>',
            $this->value(<<<'SQL'
                SELECT concat_ws('|', title, address, light, listed, listing_title, html) FROM place JOIN words USING (id) WHERE id = ?
                SQL, $copy),
        );
        self::assertSame(
            $this->value('SELECT count(*) FROM pick WHERE collection_id = ?', $from),
            $this->value('SELECT count(*) FROM pick WHERE collection_id = ?', $copy),
        );
    }

    public function testTwoNewPlacesWithOneTitleAtOneMomentBothStand(): void
    {
        $makers = [];
        for ($n = 0; $n < 6; ++$n) {
            $makers[$n] = new Process([\PHP_BINARY, __DIR__.'/make.php', 'Winter fair']);
            $makers[$n]->start(null, ['DATABASE_URL' => $_SERVER['DATABASE_URL']]);
        }
        foreach ($makers as $maker) {
            self::assertSame(0, $maker->wait(), $maker->getOutput().$maker->getErrorOutput());
        }
        self::assertSame(
            '/winter-fair, /winter-fair-2, /winter-fair-3, /winter-fair-4, /winter-fair-5, /winter-fair-6',
            $this->value("SELECT string_agg(address, ', ' ORDER BY address) FROM place WHERE title = 'Winter fair'"),
        );
    }

    public function testMissingPoliciesAreWrittenAndLedToAsOneStep(): void
    {
        $this->removePolicies();
        $writer = $this->service(PolicyWriter::class);
        self::assertSame([], $writer->written());
        self::assertSame('footer-3', $writer->suggestedBay(), 'the first that is empty');
        $before = $this->shapeOfFooter();
        $step = $writer->write([StartingText::Privacy, StartingText::Returns, StartingText::Terms], 'footer-3', false, $this->actor());
        self::assertSame('Privacy, Returns, Terms of sale: written, and put in footer column 3.', $step->sentence);
        self::assertSame('Privacy, Returns, Terms of sale', $this->value(<<<'SQL'
            SELECT string_agg(p.title, ', ' ORDER BY e.position) FROM bay b JOIN entry e USING (menu_id)
            JOIN place p ON p.id = e.place_id WHERE b.id = 'footer-3'
            SQL));
        self::assertSame('3', $this->value(<<<'SQL'
            SELECT count(*) FROM place WHERE kind = 'policy' AND NOT listed AND light = 'open' AND address LIKE '/policies/%'
            SQL));
        self::assertSame('footer-3', $writer->suggestedBay());

        $this->service(EditLog::class)->takeBack($step, $this->actor());
        self::assertSame('0', $this->value("SELECT count(*) FROM place WHERE kind = 'policy'"));
        self::assertSame($before, $this->shapeOfFooter(), 'the menu that was hung for them is gone as well');
        $this->expectExceptionMessage('taken back already');
        $this->service(EditLog::class)->get($step->id, $this->actor());
    }

    public function testPoliciesThatSomebodyWroteInStay(): void
    {
        $this->removePolicies();
        $writer = $this->service(PolicyWriter::class);
        $step = $writer->write([StartingText::Privacy], 'footer-2', true, $this->actor());
        $this->service(PlaceEditor::class)->writeWords($writer->written()['privacy'], 2, '<p>Our own words.</p>', $this->actor());
        try {
            $this->service(EditLog::class)->takeBack($step, $this->actor());
            self::fail('They went.');
        } catch (Refused $refused) {
            self::assertStringContainsString('changed since', $refused->getMessage());
        }
        self::assertSame('<p>Our own words.</p>', $this->value('SELECT html FROM words WHERE id = ?', $writer->written()['privacy']));
    }

    public function testTheOneThatTheFooterForgotIsPutThere(): void
    {
        $step = $this->service(PolicyWriter::class)->write(StartingText::cases(), 'footer-2', false, $this->actor());
        self::assertSame('1 policy was put in footer column 2.', $step->sentence);
        $this->expectException(Refused::class);
        $this->service(PolicyWriter::class)->write(StartingText::cases(), 'footer-2', false, $this->actor());
    }

    public function testAPolicyWithAnEmptyBlankIsNotPublished(): void
    {
        $this->removePolicies();
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        $this->service(PolicyWriter::class)->write([StartingText::Returns], null, true, $this->actor());
        $details = $this->service(ShopDetails::class);
        $details->change(ShopDetails::version($details->all()), ['mail' => '', 'days_to_return' => ''], $this->actor());
        try {
            $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
            self::fail('It was published.');
        } catch (Refused $refused) {
            self::assertSame(
                '“Returns” still has 2 empty blanks: days to return, mail address. Fill them in the shop’s details, or take them out of '
                    .'the text.',
                $refused->getMessage(),
            );
        }
        self::assertSame('0', $this->value("SELECT count(*) FROM live.place WHERE kind = 'policy'"), 'nothing is half published');
        $details->change(
            ShopDetails::version($details->all()),
            ['mail' => 'write@tansyandrook.example', 'days_to_return' => '14'],
            $this->actor(),
        );
        self::assertNotNull($this->service(Publisher::class)->publish(Actor::commandLine('Joss')));
        $details->change(ShopDetails::version($details->all()), ['mail' => ''], $this->actor());
        $this->expectExceptionMessage('“Returns” still has an empty blank: mail address.');
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
    }

    public function testDetailsAreNotOverwrittenInSilence(): void
    {
        $details = $this->service(ShopDetails::class);
        $version = ShopDetails::version($details->all());
        $details->change($version, ['country' => 'Elsewhere'], $this->actor());
        $this->expectException(Stale::class);
        $details->change($version, ['country' => 'Nowhere'], $this->actor());
    }

    public function testManyPlacesChangeAsOneStepAndBackAgain(): void
    {
        $ids = array_map(DemoId::of(...), ['pages/paying', 'pages/sizes', 'pages/press']);
        $before = $this->lights($ids);
        $many = $this->service(ManyPlaces::class);
        $step = $many->change($ids, Light::Closed, new PlaceParent(DemoId::of('groups/about')), false, $this->actor());
        self::assertSame('3 places are now closed, kept out of search engines, in “About us”.', $step->sentence);
        self::assertSame(array_fill(0, 3, 'closed '.DemoId::of('groups/about').' f'), array_values($this->lights($ids)));
        $log = $this->service(EditLog::class);
        $log->takeBack($log->get($step->id, $this->actor()), $this->actor());
        self::assertSame($before, $this->lights($ids));
        self::assertSame([], $this->service(ReleaseReader::class)->waiting()->changes);
    }

    public function testAllOfManyChangeOrNone(): void
    {
        $many = $this->service(ManyPlaces::class);
        $ids = [DemoId::of('pages/paying'), DemoId::of('fixed/front')];
        foreach ([
            [$ids, Light::Closed, null, '“Front page”'],
            [$ids, null, new PlaceParent(DemoId::of('groups/about')), '“Front page”'],
            [[...$ids, DemoId::of('nothing')], Light::Quiet, null, 'no longer there'],
            [[], Light::Quiet, null, 'from 1 to'],
        ] as [$places, $light, $standing, $says]) {
            try {
                $many->change($places, $light, $standing, null, $this->actor());
                self::fail('They changed.');
            } catch (Refused $refused) {
                self::assertStringContainsString($says, $refused->getMessage());
            }
        }
        self::assertSame([], $this->service(ReleaseReader::class)->waiting()->changes);
    }

    public function testAStepIsNotTakenBackOverSomebodysWork(): void
    {
        $many = $this->service(ManyPlaces::class);
        $id = DemoId::of('pages/paying');
        $step = $many->change([$id, DemoId::of('pages/sizes')], Light::Quiet, null, null, $this->actor());
        $this->service(PlaceEditor::class)->revise($id, 2, new Revision(light: Light::Closed), $this->actor('owner'));
        try {
            $this->service(EditLog::class)->takeBack($step, $this->actor());
            self::fail('It was taken back.');
        } catch (Refused $refused) {
            self::assertStringContainsString('1 of these places changed since', $refused->getMessage());
        }
        self::assertSame('closed quiet', $this->value(<<<'SQL'
            SELECT string_agg(light, ' ' ORDER BY light) FROM place WHERE id IN (?, ?)
            SQL, $id, DemoId::of('pages/sizes')), 'neither of them');
        $this->expectExceptionMessage('no such edit of yours');
        $this->service(EditLog::class)->get($step->id, $this->actor('owner'));
    }

    public function testSiblingsAreArranged(): void
    {
        $editor = $this->service(PlaceEditor::class);
        $order = fn (): string => $this->value(<<<'SQL'
            SELECT string_agg(title, ', ' ORDER BY position, title, id) FROM place WHERE parent_id = ?
            SQL, DemoId::of('categories/kits'));
        self::assertSame('First kits, Calendar kits', $order());
        $editor->arrange(DemoId::of('categories/calendar-kits'), 1, DemoId::of('categories/first-kits'), $this->actor());
        self::assertSame('Calendar kits, First kits', $order());
        $editor->arrange(
            DemoId::of('categories/calendar-kits'),
            (int) $this->value('SELECT version FROM place WHERE id = ?', DemoId::of('categories/calendar-kits')),
            null,
            $this->actor(),
        );
        self::assertSame('First kits, Calendar kits', $order());
    }

    public function testProductsArePickedInTheirOrder(): void
    {
        $id = DemoId::of('collections/first-binding');
        $products = $this->workbench()->fetchFirstColumn("SELECT id FROM place WHERE kind = 'product' ORDER BY address DESC LIMIT 3");
        /** @var list<string> $products */
        $this->service(PlaceEditor::class)->pick($id, 1, $products, $this->actor());
        $this->service(PlaceEditor::class)->pick($id, 2, [$products[2], $products[0]], $this->actor());
        $picked = $this->workbench()->fetchFirstColumn('SELECT product_id FROM pick WHERE collection_id = ? ORDER BY position', [$id]);
        self::assertSame([$products[2], $products[0]], $picked);
        $this->expectExceptionMessage('no longer there');
        $this->service(PlaceEditor::class)->pick($id, 3, [DemoId::of('pages/visit')], $this->actor());
    }

    public function testWhatALightTouchesIsTold(): void
    {
        $said = array_map(
            TouchWords::of(...),
            $this->service(PlaceEditor::class)->planLight(DemoId::of('pages/care-of-paper'), new Revision(light: Light::Quiet), 5),
        );
        self::assertContains('Footer, the shop loses “Care of paper”.', $said);
        self::assertContains('Footer, the shop loses “Looking after paper”.', $said);
        self::assertContains('1 text links here: Tape is not a repair. Whoever follows it goes on arriving.', $said);
        self::assertSame(
            'open',
            $this->value('SELECT light FROM place WHERE id = ?', DemoId::of('pages/care-of-paper')),
            'nothing is done yet',
        );
    }

    /**
     * @param list<string> $ids
     *
     * @return array<mixed, mixed>
     */
    private function lights(array $ids): array
    {
        return $this->workbench()->fetchAllKeyValue(<<<'SQL'
            SELECT id, light || ' ' || parent_id || ' ' || CASE WHEN listed THEN 't' ELSE 'f' END FROM place WHERE id IN (?, ?, ?)
            SQL, $ids);
    }

    private function removePolicies(): void
    {
        foreach ([<<<'SQL'
            DELETE FROM entry WHERE place_id IN (SELECT id FROM place WHERE kind = 'policy')
            SQL, <<<'SQL'
                DELETE FROM words WHERE id IN (SELECT id FROM place WHERE kind = 'policy')
                SQL, "DELETE FROM place WHERE kind = 'policy'"] as $sql) {
            $this->workbench()->executeStatement($sql);
        }
    }

    private function shapeOfFooter(): string
    {
        return $this->value(<<<'SQL'
            SELECT string_agg(concat_ws(' ', id, menu_id, heading), ', ' ORDER BY id) || (SELECT count(*) FROM menu) FROM bay
            SQL);
    }

    private function maker(): PlaceMaker
    {
        return $this->service(PlaceMaker::class);
    }
}
