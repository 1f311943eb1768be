<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Mends;

use Lantern\Core\Finding\FindingKind;
use Lantern\Core\Finding\Mend;
use Lantern\Core\Finding\MendAnswer;
use Lantern\Core\Finding\MendAsks;
use Lantern\Core\Finding\MendKind;
use Lantern\Core\Finding\Mends;
use Lantern\Core\Refused;
use Lantern\Core\Release\CopyName;
use Lantern\Core\Release\NotInOrder;
use Lantern\Demo\DemoId;
use Lantern\Reading\Findings\CopyFilter;
use Lantern\Reading\Findings\FindingTable;
use Lantern\Reading\Findings\FoundFinding;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Findings\Inspection;
use Lantern\Workbench\Mends\Mender;
use PHPUnit\Framework\Attributes\DataProvider;

/** Each kind of finding: that it is found, that each of its mends puts it right, and that undoing brings it back. */
final class MenderTest extends ShopTestCase
{
    /**
     * @param list<string>    $made    statements that make it so
     * @param string          $subject id of what it is about
     * @param list<MendKind>  $mends   that it has to have
     */
    #[DataProvider('kinds')]
    public function testItIsFoundMendedAndComesBack(FindingKind $kind, array $made, string $subject, array $mends): void
    {
        foreach ($made as $sql) {
            $this->workbench()->executeStatement($sql);
        }
        $found = $this->found($kind, $subject);
        self::assertTrue(null !== $found, "$kind->value is not found.");
        self::assertNotSame('', $found->says);
        self::assertStringNotContainsString('“”', $found->says);
        self::assertSame(
            array_map(static fn (MendKind $one): string => $one->value, $mends),
            array_map(static fn (Mend $one): string => $one->kind->value, Mends::of($found->finding)),
        );
        foreach ($mends as $mend) {
            if (MendAsks::Spot === $mend->asks()) {
                continue;
            }
            $edit = $this->service(Mender::class)->mend(
                [$found->finding->id],
                $mend,
                MendAnswer::typed($mend->asks(), $this->told($mend)),
                $this->actor(),
            );
            self::assertNull($this->found($kind, $subject), "{$mend->value} does not put $kind->value right: {$edit->sentence}");
            $log = $this->service(EditLog::class);
            try {
                $log->takeBack($log->get($edit->id, $this->actor()), $this->actor());
            } catch (NotInOrder $refused) {
                // A circle was there before there was a rule against it; nobody can make one, by undoing neither.
                self::assertSame(FindingKind::RedirectLoop, $kind, $refused->getMessage());

                return;
            }
            self::assertSame(
                [$found->finding->id, $found->says],
                $this->idAndWords($kind, $subject),
                "Taking {$mend->value} back does not bring $kind->value back.",
            );
        }
    }

    public function testWhoeverComesSecondIsToldThatItIsMended(): void
    {
        $found = $this->found(FindingKind::LinkClosed, '');
        self::assertNotNull($found);
        $mender = $this->service(Mender::class);
        $mender->mend([$found->finding->id], MendKind::TakeOut, MendAnswer::nothing(), $this->actor());
        // Nobody has looked since but whoever mends.
        try {
            $mender->mend([$found->finding->id], MendKind::TakeOut, MendAnswer::nothing(), $this->actor('owner'));
            self::fail('It was mended twice.');
        } catch (Refused $refused) {
            self::assertSame('This is mended already.', $refused->getMessage());
        }
    }

    public function testTwelveLinksBecomeReferencesInOneEdit(): void
    {
        $this->service(Inspection::class)->catchUp(CopyName::Workbench);
        $ids = array_map(
            static fn (FoundFinding $one): string => $one->finding->id,
            $this->service(FindingTable::class)->page(CopyFilter::Workbench, FindingKind::LinkOverRedirect, '', false, null),
        );
        self::assertCount(12, $ids);
        $edit = $this->service(Mender::class)->mend($ids, MendKind::Refer, MendAnswer::nothing(), $this->actor());
        self::assertSame('12 findings are mended: make it a reference.', $edit->sentence);
        $this->service(Inspection::class)->catchUp(CopyName::Workbench);
        self::assertSame('0', $this->value(<<<'SQL'
            SELECT count(*) FROM journal.finding WHERE copy = 'workbench' AND kind = 'link-over-redirect'
            SQL));
        self::assertSame('12', $this->value("SELECT count(*) FROM journal.finding WHERE copy = 'live' AND kind = 'link-over-redirect'"));
        self::assertSame('1', $this->value('SELECT count(*) FROM journal.edit WHERE NOT undone'));
    }

    /** @return iterable<string, array{FindingKind, list<string>, string, list<MendKind>}> */
    public static function kinds(): iterable
    {
        $makers = DemoId::of('pages/makers');
        $story = DemoId::of('pages/our-story');
        $words = static fn (string $html): string => "UPDATE words SET html = '".str_replace("'", "''", $html)."' WHERE id = '$story'";
        $header = DemoId::of('menus/header');
        $entry = "SELECT id FROM entry WHERE menu_id = '$header'";
        $own = '019344a0-1c00-7fff-8fff-00000000000';
        $put = static fn (string $n, string $columns, string $values): string => <<<SQL
            INSERT INTO entry (id, menu_id, position, target_kind, $columns) VALUES ('$own$n', '$header', 9$n, $values)
            SQL;
        $redirect = static fn (string $n, string $source, string $columns, string $values): string => <<<SQL
            INSERT INTO redirect (id, source, $columns, status) VALUES ('$own$n', '$source', $values, 301)
            SQL;
        $lead = [MendKind::LeadElsewhere, MendKind::TakeOut, MendKind::OpenPlace];
        $closed = DemoId::of('pages/autumn-workshop');
        $close = static fn (string $id): string => "UPDATE place SET light = 'closed' WHERE id = '$id'";
        $visit = DemoId::of('pages/visit');
        $all = [
            [
                FindingKind::LinkNowhere,
                [$words('<p><a href="/is/nowhere">there</a></p>')],
                $story,
                [MendKind::LeadElsewhere, MendKind::TakeOut],
            ],
            [FindingKind::LinkClosed, [$words("<p><a href=\"place:$closed\">there</a></p>")], $story, $lead],
            [FindingKind::LinkElsewhere, [<<<SQL
                UPDATE place SET closed_answer = 'elsewhere', closed_to = '$visit' WHERE id = '$closed'
                SQL, $words("<p><a class=\"button\" href=\"place:$closed\">there</a></p>")], $story, $lead],
            [FindingKind::EntryClosed, [$put('1', 'place_id', "'place', '$closed'")], $own.'1', $lead],
            [FindingKind::LinkTyped, [$words('<p><a href="/about-us">there</a></p>')], $story, [MendKind::Refer]],
            [FindingKind::LinkOverRedirect, [$words('<p><a href="/how-to">there</a></p>')], $story, [MendKind::Refer]],
            [
                FindingKind::PartMissing,
                [$words('<p><a href="place:'.DemoId::of('pages/which-grain').'#folds">there</a></p>')],
                $story,
                [MendKind::NearestPart, MendKind::WholePage],
            ],
            [FindingKind::OutsideBroken, [$words('<p><a href="https://gone.example/">there</a></p>'), <<<'SQL'
                INSERT INTO journal.outside_answer (url, status) VALUES ('https://gone.example/', 410)
                SQL], $story, [MendKind::TakeOut]],
            [FindingKind::OutsideMoved, [$put('1', 'uri, label', "'outside', 'http://moved.example/', 'Elsewhere'"), <<<'SQL'
                INSERT INTO journal.outside_answer (url, status, moved)
                VALUES ('http://moved.example/', 200, 'https://moved.example/new')
                SQL], $own.'1', [MendKind::NewAddress, MendKind::TakeOut]],
            [FindingKind::OutsideSecure, [$redirect('1', '/to-elsewhere', 'goal_outside', "'http://secure.example/'"), <<<'SQL'
                INSERT INTO journal.outside_answer (url, status, secure) VALUES ('http://secure.example/', 200, true)
                SQL], $own.'1', [MendKind::NewAddress, MendKind::TakeOut]],
            [
                FindingKind::PictureGone,
                [$words("<p><img src=\"place:$closed\" alt=\"a workshop\" /></p>")],
                $story,
                [MendKind::TakeOut, MendKind::AtTheSpot],
            ],
            [
                FindingKind::PictureWithoutWords,
                [$words('<p><img src="place:'.DemoId::of('files/folding-still').'" alt="" /></p>')],
                $story,
                [MendKind::Write],
            ],
            [FindingKind::ListsNothing, [], DemoId::of('collections/winter-window'), [MendKind::MakeQuiet, MendKind::AtTheSpot]],
            [FindingKind::PlaceAlone, [], DemoId::of('pages/trade'), [MendKind::AtTheSpot, MendKind::MakeQuiet]],
            [FindingKind::PolicyNotInFooter, [], DemoId::of('policies/cookies'), [MendKind::IntoFooter]],
            [
                FindingKind::PlaceTwice,
                [$put('1', 'place_id, label', "'place', '".DemoId::of('categories/papers')."', 'All papers'")],
                $own.'1',
                [MendKind::TakeOut],
            ],
            [
                FindingKind::LabelTwice,
                [$put('1', 'place_id, label', "'place', '".DemoId::of('collections/newest')."', 'Papers'")],
                $own.'1',
                [MendKind::AnotherLabel, MendKind::TakeOut],
            ],
            [FindingKind::HeadingEmpty, [$put('1', 'label', "'heading', 'Nothing here'")], $own.'1', [MendKind::TakeOut]],
            [FindingKind::EntryUnseen, [$put('1', 'place_id, enabled', "'place', '".DemoId::of('collections/newest')."', false"), <<<SQL
                INSERT INTO live.entry SELECT * FROM entry WHERE id = '{$own}1'
                SQL, "UPDATE journal.release SET released_at = now() - interval '40 days'"], $own.'1', [MendKind::TakeOut]],
            [
                FindingKind::EntryDates,
                [
                    "UPDATE place SET opens_on = now() - interval '9 days', closes_on = now() + interval '9 days' WHERE id = '"
                        .DemoId::of('collections/newest')."'",
                    $put('1', 'place_id, until_on', "'place', '".DemoId::of('collections/newest')."', now() + interval '20 days'"),
                ],
                $own.'1',
                [MendKind::DatesOfPlace],
            ],
            [FindingKind::RedirectNowhere, [$redirect('1', '/to-a-closed-one', 'goal_place_id', "'$closed'")], $own.'1', $lead],
            [
                FindingKind::RedirectLoop,
                [$redirect('1', '/round', 'goal_address', "'/and-round'"), $redirect('2', '/and-round', 'goal_address', "'/round'")],
                $own.'1',
                [MendKind::LeadElsewhere, MendKind::TakeOut],
            ],
            [FindingKind::RedirectChain, [], DemoId::of('redirects//paper-marbling'), [MendKind::Straighten]],
            [FindingKind::RedirectShadowed, [$redirect('1', '/about-us', 'goal_place_id', "'$visit'")], $own.'1', [MendKind::TakeOut]],
            [
                FindingKind::RedirectEnded,
                [$redirect('1', '/over', 'until, goal_place_id', "now() - interval '1 day', '$visit'")],
                $own.'1',
                [MendKind::TakeOut],
            ],
            [FindingKind::RedirectUnused, [], DemoId::of('redirects//schools'), [MendKind::TakeOut]],
            [FindingKind::ClosedAnswerNowhere, [<<<SQL
                UPDATE place SET closed_answer = 'elsewhere', closed_to = '$visit' WHERE id = '$closed'
                SQL, $close($visit)], $closed, $lead],
            [
                FindingKind::MentionBroken,
                [
                    $close($visit),
                    "UPDATE journal.outside_mention SET address = '/about-us/visit-the-workshop' WHERE id = '"
                        .DemoId::of('outside/Code on the parcel label')."'",
                ],
                DemoId::of('outside/Code on the parcel label'),
                [MendKind::LeadOn, MendKind::OpenPlace],
            ],
            [
                FindingKind::MentionRoundabout,
                [],
                DemoId::of('outside/Advertisement for marbled papers'),
                [MendKind::Straighten, MendKind::NoteAddress],
            ],
            [
                FindingKind::BlankEmpty,
                [$words('<p>We are <span data-blank="company"></span>.</p>'), "UPDATE setting SET value = '\"\"' WHERE id = 'company'"],
                $story,
                [MendKind::AtTheSpot],
            ],
            [FindingKind::DoesNotFit, [<<<'SQL'
                UPDATE setting SET value = '"Bookbinding"' WHERE id = 'name'
                SQL, ...array_map(
                static fn (int $n): string => $put(
                    (string) $n,
                    'label, uri',
                    "'outside', 'A rather long entry, number $n', 'https://somewhere.example/$n'",
                ),
                range(1, 8),
            )], $header, [MendKind::AtTheSpot]],
            [FindingKind::ListingWithoutDescription, [], DemoId::of('policies/returns'), [MendKind::Write]],
            [FindingKind::ListingTitleTwice, [<<<SQL
                UPDATE place SET listing_title = 'The same for both' WHERE id IN ('$makers', '$story')
                SQL], max($makers, $story), [MendKind::Write, MendKind::Follow]],
            [
                FindingKind::ListingTooLong,
                ["UPDATE place SET listing_description = '".str_repeat('Many words say little. ', 14)."' WHERE id = '$makers'"],
                $makers,
                [MendKind::Write, MendKind::Follow],
            ],
            [FindingKind::ListingForSome, ["UPDATE place SET audience = 'customers' WHERE id = '$makers'"], $makers, [MendKind::NotListed]],
            [
                FindingKind::LabelForTwo,
                ["UPDATE entry SET label = 'Papers' WHERE menu_id = '".DemoId::of('menus/footer-shop')."' AND label = 'Looking after paper'"],
                '',
                [MendKind::AnotherLabel],
            ],
            [FindingKind::SignUpTwice, [], '', [MendKind::TakeOut]],
            [FindingKind::Pale, [], '', [MendKind::NearestColour, MendKind::AtTheSpot]],
            [FindingKind::PlaceFar, [<<<'SQL'
                INSERT INTO journal.visit SELECT '/far-away', CURRENT_DATE - n, 20 FROM generate_series(1, 20) n
                SQL, ...self::farAway()], $own.'4', [MendKind::AtTheSpot, MendKind::MakeQuiet]],
        ];
        foreach ($all as $one) {
            yield $one[0]->value => $one;
        }
    }

    public function testEveryKindIsAmongThem(): void
    {
        self::assertSame(
            [],
            array_diff(
                array_map(static fn (FindingKind $one): string => $one->value, FindingKind::cases()),
                array_map(strval(...), array_keys(iterator_to_array(self::kinds()))),
            ),
        );
    }

    /**
     * Pages that lead to one another, the first from the front page’s makers.
     *
     * @return list<string>
     */
    private static function farAway(): array
    {
        $id = static fn (int $n): string => "019344a0-1c00-7fff-8fff-00000000000$n";
        $sql = [];
        for ($n = 4; $n >= 1; --$n) {
            $address = 4 === $n ? '/far-away' : "/on-the-way-$n";
            $sql[] = "INSERT INTO place (id, kind, title, address, summary) VALUES ('{$id($n)}', 'page', 'Step $n', '$address', 'A step')";
            $sql[] = "INSERT INTO words (id, html) VALUES ('{$id($n)}', '".($n < 4 ? "<p><a href=\"place:{$id($n + 1)}\">on</a></p>" : '')
                ."')";
        }
        $sql[] = "UPDATE words SET html = html || '<p><a href=\"place:{$id(1)}\">on</a></p>' WHERE id = '".DemoId::of('pages/makers')."'";

        return $sql;
    }

    private function found(FindingKind $kind, string $subject): ?FoundFinding
    {
        self::assertTrue($this->service(Inspection::class)->catchUp(CopyName::Workbench));
        $this->service(Inspection::class)->refreshDistances(CopyName::Workbench);
        foreach ($this->service(FindingTable::class)->page(CopyFilter::Workbench, $kind, '', false, null) as $found) {
            if ('' === $subject || $found->finding->subject->id === $subject) {
                return $found;
            }
        }

        return null;
    }

    /** @return list<string> */
    private function idAndWords(FindingKind $kind, string $subject): array
    {
        $found = $this->found($kind, $subject);

        return null === $found ? [] : [$found->finding->id, $found->says];
    }

    private function told(MendKind $mend): string
    {
        return match ($mend->asks()) {
            MendAsks::Place => DemoId::of('categories/papers'),
            MendAsks::Words => 'Words of its own',
            default => '',
        };
    }

    /** Two things outside name one address that is dead: they are led on by one act, and by one redirect. */
    public function testTwoMentionsOfOneAddressAreLedOnTogether(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO journal.outside_mention (id, kind, name, address)
            SELECT gen_random_uuid(), 'profile', 'Letter ' || n, '/printed-once' FROM generate_series(1, 2) n
            SQL);
        $this->service(Inspection::class)->catchUp(CopyName::Workbench);
        $ids = array_values(array_filter($this->workbench()->fetchFirstColumn(<<<'SQL'
            SELECT id FROM journal.finding WHERE copy = 'workbench' AND kind = 'mention-broken' AND details ->> 'address' = '/printed-once'
            SQL), \is_string(...)));
        self::assertCount(2, $ids);
        $to = DemoId::of('categories/papers');
        $this->service(Mender::class)->mend($ids, MendKind::LeadOn, MendAnswer::place($to), $this->actor());
        self::assertSame('1', $this->value("SELECT count(*) FROM redirect WHERE source = '/printed-once' AND goal_place_id = ?", $to));
    }

    /** A line that is closed and stands twice: both of its findings are mended by one act. */
    public function testTwoFindingsOfOneLineGoTogether(): void
    {
        $silk = DemoId::of('categories/silk');
        $this->workbench()->executeStatement("UPDATE place SET light = 'closed' WHERE id = ?", [$silk]);
        $menu = $this->value("SELECT menu_id FROM bay WHERE id = 'footer-1'");
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO entry (id, menu_id, position, target_kind, place_id) SELECT gen_random_uuid(), ?, 90 + n, 'place', ?
            FROM generate_series(1, 2) n
            SQL, [$menu, $silk]);
        $this->service(Inspection::class)->catchUp(CopyName::Workbench);
        $ids = array_values(array_filter($this->workbench()->fetchFirstColumn(<<<'SQL'
            SELECT f.id FROM journal.finding f JOIN entry e ON e.id::text = f.subject_id WHERE f.copy = 'workbench' AND e.menu_id = ?
            AND e.place_id = ? AND f.kind IN ('entry-closed', 'place-twice')
            SQL, [$menu, $silk]), \is_string(...)));
        self::assertGreaterThanOrEqual(2, \count($ids));
        $this->service(Mender::class)->mend($ids, MendKind::TakeOut, MendAnswer::nothing(), $this->actor());
        self::assertSame('0', $this->value(<<<'SQL'
            SELECT count(*) FROM entry WHERE menu_id = ? AND place_id = ? AND position > 90
            SQL, $menu, $silk));
    }

    /** A redirect for all below an address is visited below it. */
    public function testARedirectForAllBelowThatIsFollowedIsNotUnused(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO redirect (id, source, is_prefix, goal_place_id, status, created_at)
            VALUES (gen_random_uuid(), '/once', true, ?, 301, now() - interval '13 months'), (gen_random_uuid(), '/never', true, ?, 301,
            now() - interval '13 months')
            SQL, [DemoId::of('categories/papers'), DemoId::of('categories/papers')]);
        $this->workbench()->executeStatement("INSERT INTO journal.visited (address, last_day) VALUES ('/once/', CURRENT_DATE - 1)");
        $this->service(Inspection::class)->walk(CopyName::Workbench);
        self::assertSame(['/never/*'], $this->workbench()->fetchFirstColumn(<<<'SQL'
            SELECT name FROM journal.finding WHERE copy = 'workbench' AND kind = 'redirect-unused'
            AND (name LIKE '/once%' OR name LIKE '/never%')
            SQL));
    }
}
