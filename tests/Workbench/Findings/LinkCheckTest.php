<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Findings;

use Lantern\Core\Release\CopyName;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Findings\Inspection;
use Lantern\Workbench\Findings\KeepUp;
use Lantern\Workbench\Findings\KeepUpHandler;
use Lantern\Workbench\Findings\LinkCheck;

final class LinkCheckTest extends ShopTestCase
{
    private const BAND = '0193c000-0000-7000-8000-000000000001';
    private const COLUMN = '0193c000-0000-7000-8000-000000000002';

    public function testTooMuchIsForAWorkerWhichIsAskedOnce(): void
    {
        $check = $this->service(LinkCheck::class);
        self::assertTrue($check->catchUp());
        $this->workbench()->executeStatement("INSERT INTO journal.due (copy, subject, keys, person) VALUES ('workbench', '*', '{}', '')");
        self::assertFalse($check->catchUp());
        self::assertFalse($check->catchUp());
        self::assertSame('1', $this->value("SELECT count(*) FROM journal.message WHERE body LIKE '%CatchUp%'"));
        $this->service(Inspection::class)->walk(CopyName::Workbench);
        self::assertTrue($check->catchUp());
    }

    public function testHowFarAPlaceIsIsFoundByAWorkerAndNobodyWhoEditsWaitsForIt(): void
    {
        $far = "SELECT name FROM journal.finding WHERE copy = 'workbench' AND kind = 'place-far'";
        $check = $this->service(LinkCheck::class);
        $keepUp = $this->service(KeepUpHandler::class);
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO journal.visit (address, day, count) VALUES ('/threads-and-cords/silk', CURRENT_DATE - 1, 500)
            ON CONFLICT (address, day) DO UPDATE SET count = 500
            SQL);
        $this->service(Inspection::class)->walk(CopyName::Workbench);
        self::assertNotContains('Silk for headbands', $this->workbench()->fetchFirstColumn($far));
        // Papers, marbled, stone, silk: only one after the other.
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE place SET parent_id = (SELECT id FROM place WHERE address = '/papers/marbled/stone')
            WHERE address = '/threads-and-cords/silk'
            SQL);
        $this->workbench()->executeStatement(<<<'SQL'
            DELETE FROM entry WHERE on_page IS NOT NULL OR place_id IN (SELECT id FROM place WHERE kind = 'category'
            AND parent_id IS NOT NULL)
            SQL);
        $this->workbench()->executeStatement('DELETE FROM words');
        self::assertTrue($check->catchUp());
        self::assertNotContains('Silk for headbands', $this->workbench()->fetchFirstColumn($far));
        $keepUp(new KeepUp());
        self::assertContains('Silk for headbands', $this->workbench()->fetchFirstColumn($far));
        self::assertSame('0', $this->value('SELECT count(*) FROM journal.due'));
    }

    public function testADateThatPassesIsLookedAt(): void
    {
        $check = $this->service(LinkCheck::class);
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE place SET closes_on = now() + interval '1 second' WHERE address = '/threads-and-cords/silk'
            SQL);
        $check->catchUp();
        self::assertSame('0', $this->value(<<<'SQL'
            SELECT count(*) FROM journal.finding WHERE copy = 'workbench' AND details ->> 'address' = '/threads-and-cords/silk'
            SQL));
        sleep(2);
        $check->catchUp();
        self::assertSame('2', $this->value(<<<'SQL'
            SELECT count(*) FROM journal.finding WHERE copy = 'workbench' AND details ->> 'address' = '/threads-and-cords/silk'
            SQL));
    }

    public function testWhoseEditItCameWith(): void
    {
        $check = $this->service(LinkCheck::class);
        $check->catchUp();
        $this->workbench()->executeStatement("SELECT set_config('lantern.person', 'Joss Tamblyn', false)");
        $this->workbench()->executeStatement("UPDATE place SET light = 'closed' WHERE address = '/threads-and-cords/silk'");
        $check->catchUp();
        self::assertSame('Joss Tamblyn', $this->value(<<<'SQL'
            SELECT DISTINCT person FROM journal.finding WHERE copy = 'workbench' AND details ->> 'address' = '/threads-and-cords/silk'
            SQL));
    }

    /** What nobody is shown is no fault of what somebody is. */
    public function testWordsInABandCountAsLongAsTheBandIsShown(): void
    {
        $menu = $this->value("SELECT id FROM place WHERE kind = 'front-page'");
        $silk = $this->value("SELECT id FROM place WHERE address = '/threads-and-cords/silk'");
        $this->workbench()->executeStatement("UPDATE place SET light = 'closed' WHERE id = ?", [$silk]);
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO entry (id, menu_id, position, target_kind, piece, on_page) VALUES (?, ?, 90, 'heading', '{"kind": "band"}', ?)
            SQL, [self::BAND, $menu, $menu]);
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO entry (id, menu_id, parent_id, position, target_kind, piece, on_page)
            VALUES (?, ?, ?, 1, 'heading', '{"kind": "column", "share": 12}', ?)
            SQL, [self::COLUMN, $menu, self::BAND, $menu]);
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO entry (id, menu_id, parent_id, position, target_kind, piece, on_page)
            VALUES (gen_random_uuid(), ?, ?, 1, 'heading', jsonb_build_object('kind', 'words', 'inDrawer', false, 'html', CAST(? AS
            text)), ?)
            SQL, [$menu, self::COLUMN, "<p>Our <a href=\"place:$silk\">silk</a></p>", $menu]);
        self::assertSame('1', $this->closedLinksOfTheFrontPage());
        foreach (['enabled = false', "enabled = true, until_on = now() - interval '1 day'"] as $hidden) {
            $this->workbench()->executeStatement("UPDATE entry SET $hidden WHERE id = ?", [self::BAND]);
            self::assertSame('0', $this->closedLinksOfTheFrontPage(), $hidden);
        }
        $this->workbench()->executeStatement('UPDATE entry SET until_on = NULL WHERE id = ?', [self::BAND]);
        self::assertSame('1', $this->closedLinksOfTheFrontPage());
    }

    public function testTwoOfOneLabelThatNoVisitorMeetsTogetherAreNotTwice(): void
    {
        $menu = $this->value("SELECT id FROM menu WHERE name = 'Footer, the shop'");
        [$one, $other] = $this->workbench()->fetchFirstColumn(<<<'SQL'
            SELECT id FROM place WHERE kind = 'page' AND light = 'open' ORDER BY id LIMIT 2
            SQL);
        foreach ([[$one, 'guests', 80], [$other, 'customers', 81]] as [$place, $audience, $position]) {
            $this->workbench()->executeStatement(<<<'SQL'
                INSERT INTO entry (id, menu_id, position, target_kind, place_id, label, audience)
                VALUES (gen_random_uuid(), ?, ?, 'place', ?, 'Sign in', ?)
                SQL, [$menu, $position, $place, $audience]);
        }
        self::assertSame('0', $this->twice());
        $this->workbench()->executeStatement("UPDATE entry SET audience = 'everyone' WHERE label = 'Sign in' AND position = 80");
        self::assertSame('1', $this->twice());
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE entry
            SET from_on = CASE position WHEN 81 THEN now() + interval '2 days' END, until_on = CASE position WHEN 80 THEN now() +
            interval '2 days' END WHERE label = 'Sign in'
            SQL);
        self::assertSame('0', $this->twice(), 'one ends when the other begins');
    }

    private function closedLinksOfTheFrontPage(): string
    {
        return $this->found(
            "kind = 'link-closed' AND details ->> 'address' = '/threads-and-cords/silk' AND concat(examined, ' ', subject_id, ' ', within, "
                ."' ', place) LIKE '%"
                .$this->value("SELECT id FROM place WHERE kind = 'front-page'")."%'",
        );
    }

    private function twice(): string
    {
        return $this->found("kind = 'label-twice' AND details ->> 'label' = 'Sign in'");
    }

    private function found(string $which): string
    {
        $this->service(Inspection::class)->walk(CopyName::Workbench);

        return $this->value("SELECT count(*) FROM journal.finding WHERE copy = 'workbench' AND $which");
    }
}
