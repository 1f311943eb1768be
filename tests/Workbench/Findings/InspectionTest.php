<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Findings;

use Lantern\Core\Release\CopyName;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Findings\Inspection;
use PHPUnit\Framework\Attributes\TestWith;

/** The law of the link check: what is looked at again after an edit leaves the same findings as a walk over everything. */
final class InspectionTest extends ShopTestCase
{
    private const EDITS = 120;

    /** @var list<string> */
    private array $made = [];

    #[TestWith([CopyName::Workbench, 20261127])]
    #[TestWith([CopyName::Live, 4711])]
    public function testWhatIsLookedAtAgainFindsWhatAWalkFinds(CopyName $copy, int $seed): void
    {
        mt_srand($seed);
        $inspection = $this->service(Inspection::class);
        $inspection->walk($copy);
        $this->workbench()->executeStatement("SET search_path TO {$copy->value}, catalogue, journal");
        for ($edit = 0; $edit < self::EDITS; $edit += 1 + $times) {
            $times = mt_rand(0, 4);
            for ($n = 0; $n <= $times; ++$n) {
                $this->edit();
            }
            self::assertTrue($inspection->catchUp($copy));
            $inspection->refreshDistances($copy);
            $found = $this->found($copy);
            $inspection->walk($copy);
            $wanted = $this->found($copy);
            $missing = array_udiff_assoc($wanted, $found, static fn (array $a, array $b): int => $a <=> $b);
            $stale = array_udiff_assoc($found, $wanted, static fn (array $a, array $b): int => $a <=> $b);
            self::assertSame(
                ['missing' => [], 'stale' => []],
                ['missing' => $missing, 'stale' => $stale],
                "Edit $edit, after: ".implode("\n", \array_slice($this->made, -1 - $times)),
            );
        }
        // The edits were such that there was something to find.
        self::assertGreaterThan(
            15,
            \count(array_unique(array_map(static fn (array $one): string => $one[1], array_values($this->found($copy))))),
        );
    }

    /** The same, where it is so much that a worker does it by parts, and where the shop is edited between them. */
    public function testWhatAWorkerLooksAtByPartsFindsWhatAWalkFinds(): void
    {
        $inspection = $this->service(Inspection::class);
        $inspection->walk(CopyName::Workbench);
        mt_srand(5);
        for ($round = 0; $round < 2; ++$round) {
            $this->workbench()->executeStatement(<<<SQL
                INSERT INTO redirect (id, source, goal_address, status)
                SELECT gen_random_uuid(), '/many-$round-' || n, '/edit-' || (1 + n % 24), 301 FROM generate_series(1, 2600) n
                SQL);
            $this->workbench()->executeStatement(<<<'SQL'
                UPDATE place SET title = title || ' ' WHERE kind = 'product'; UPDATE redirect SET status = 302
                WHERE source LIKE '/many-%'
                SQL);
            $this->edit();
            $inspection->catchUpByParts(CopyName::Workbench);
            $inspection->refreshDistances(CopyName::Workbench);
            $found = $this->found(CopyName::Workbench);
            $edited = 0;
            $inspection->walk(CopyName::Workbench, function () use (&$edited): void {
                if (++$edited < 4) {
                    $this->edit();
                }
            });
            $inspection->catchUpByParts(CopyName::Workbench);
            $inspection->refreshDistances(CopyName::Workbench);
            $after = $this->found(CopyName::Workbench);
            $inspection->walk(CopyName::Workbench);
            self::assertEquals($this->found(CopyName::Workbench), $after, 'edited while somebody walked');
            self::assertNotSame([], $found);
            self::assertSame('0', $this->value('SELECT count(*) FROM journal.due WHERE copy = ?', 'workbench'));
        }
    }

    /** Between two parts nobody waits for a walk: the next edit is looked at while it goes on. */
    public function testAWalkHoldsNobodyUp(): void
    {
        $inspection = $this->service(Inspection::class);
        $inspection->walk(CopyName::Workbench);
        $other = $this->server('lantern_test');
        $seen = [];
        $inspection->walk(CopyName::Workbench, static function () use ($other, &$seen): void {
            $held = $other->query(<<<'SQL'
                SELECT count(*) FROM pg_locks WHERE locktype = 'advisory' AND granted
                AND objid = hashtext('lantern findings workbench')::bigint & 4294967295
                SQL);
            $seen[] = false === $held ? null : $held->fetchColumn();
        });
        self::assertGreaterThan(4, \count($seen));
        self::assertSame([0], array_values(array_unique(array_map(static fn (mixed $n): int => is_numeric($n) ? (int) $n : -1, $seen))));
    }

    /** @return array<string, array{string, string, string, string}> by id */
    private function found(CopyName $copy): array
    {
        $found = [];
        foreach ($this->workbench()->fetchAllNumeric(<<<'SQL'
            SELECT id, kind, says, details::text, examined FROM journal.finding WHERE copy = ? ORDER BY id
            SQL, [$copy->value]) as [$id, $kind, $says, $details, $examined]) {
            self::assertTrue(\is_string($id) && \is_string($kind) && \is_string($says) && \is_string($details) && \is_string($examined));
            $found[$id] = [$examined, $kind, $says, $details];
        }

        return $found;
    }

    private function edit(): void
    {
        $place = "(SELECT id FROM place WHERE kind NOT IN ('front-page', 'search') ORDER BY md5(id::text || '".mt_rand()."') LIMIT 1)";
        $some = <<<'SQL'
            (SELECT id FROM place WHERE kind IN ('page', 'page-group', 'category', 'collection', 'article', 'policy', 'file')
            ORDER BY md5(id::text || '
            SQL
            .mt_rand()."') LIMIT 1)";
        $other = "(SELECT id FROM place ORDER BY md5(id::text || '".mt_rand()."') LIMIT 1)";
        $entry = "(SELECT id FROM entry ORDER BY md5(id::text || '".mt_rand()."') LIMIT 1)";
        $redirect = "(SELECT id FROM redirect ORDER BY md5(id::text || '".mt_rand()."') LIMIT 1)";
        $path = '/edit-'.mt_rand(1, 12);
        $day = "now() + interval '".mt_rand(-40, 40)." days'";
        $link = $this->link();
        $sql = [
            "UPDATE place SET light = '".['open', 'quiet', 'closed'][mt_rand(0, 2)]."' WHERE id = $place",
            "UPDATE place SET light = 'closed', closed_answer = 'elsewhere', closed_to = $other WHERE id = $some",
            "UPDATE place SET opens_on = $day, closes_on = NULL WHERE id = $some",
            "UPDATE place SET closes_on = $day, opens_on = NULL WHERE id = $some",
            "UPDATE place SET audience = '".['everyone', 'guests', 'customers'][mt_rand(0, 2)]."' WHERE id = $some",
            "UPDATE place SET address = '$path' WHERE id = $some AND NOT EXISTS (SELECT FROM place WHERE address = '$path')",
            "UPDATE place SET title = (SELECT title FROM place WHERE id = $other) WHERE id = $some",
            "UPDATE place SET listing_title = '".['', 'Of the same name', '2026'][mt_rand(0, 2)]."', listing_description = '"
                .['', str_repeat('long words ', 30)][mt_rand(0, 1)]."', listed = ".['true', 'false'][mt_rand(0, 1)]." WHERE id = $some",
            "UPDATE place SET parent_id = $other WHERE id = $some AND kind IN ('page', 'article')",
            "DELETE FROM place WHERE id = $some AND kind NOT IN ('page-group', 'category')",
            "UPDATE words SET html = '$link' WHERE id = $some",
            <<<SQL
                INSERT INTO words (id, html) SELECT id, '$link' FROM place WHERE id = $some ON CONFLICT (id) DO UPDATE
                SET html = words.html || excluded.html
                SQL,
            "UPDATE entry SET enabled = NOT enabled WHERE id = $entry",
            "UPDATE entry SET place_id = $other WHERE id = $entry AND place_id IS NOT NULL AND filling IS NULL AND piece IS NULL",
            "UPDATE entry SET label = '".['Papers', 'Twice', 'Ünd'][mt_rand(0, 2)]."' WHERE id = $entry",
            "UPDATE entry SET from_on = NULL, until_on = $day WHERE id = $entry",
            "DELETE FROM entry e WHERE id = $entry AND NOT EXISTS (SELECT FROM entry c WHERE c.parent_id = e.id)",
            "UPDATE entry SET piece = jsonb_set(piece, '{html}', to_jsonb(CAST('$link' AS text))) WHERE piece ->> 'kind' = 'words'",
            "INSERT INTO redirect (id, source, goal_address, status) SELECT gen_random_uuid(), '$path', '/edit-".mt_rand(1, 24)
                ."', 301 WHERE NOT EXISTS (SELECT FROM redirect WHERE source = '$path')",
            "INSERT INTO redirect (id, source, is_prefix, goal_address, status) SELECT gen_random_uuid(), '/papers', true, '"
                .['/edit-13', '/threads-and-cords'][mt_rand(0, 1)]."', 302 WHERE NOT EXISTS (SELECT FROM redirect WHERE is_prefix)",
            "UPDATE redirect SET goal_place_id = $other, goal_address = NULL, goal_outside = NULL, status = 301 WHERE id = $redirect",
            "UPDATE redirect SET until = $day WHERE id = $redirect",
            "DELETE FROM redirect WHERE id = $redirect",
            "DELETE FROM pick WHERE collection_id IN (SELECT id FROM place WHERE kind = 'collection' ORDER BY md5(id::text || '".mt_rand()
                ."') LIMIT 1)",
            "UPDATE bay SET menu_id = (SELECT id FROM menu WHERE kind = 'menu' ORDER BY md5(id::text || '".mt_rand()
                ."') LIMIT 1) WHERE id = (SELECT id FROM bay WHERE beside IS NULL ORDER BY md5(id || '".mt_rand()."') LIMIT 1)",
            "UPDATE setting SET value = '\"".['', 'Tansy & Rook'][mt_rand(0, 1)]."\"' WHERE id IN ('company', 'mail')",
            "INSERT INTO journal.outside_mention (id, kind, name, address) VALUES (gen_random_uuid(), 'profile', 'Somewhere', '$path')",
            <<<'SQL'
                INSERT INTO journal.outside_answer (url, status, moved, secure, away_days, why, asked_at, again_at)
                VALUES ('http://outside.example/
                SQL
                .mt_rand(1, 3)."', ".[200, 404, 0, 301][mt_rand(0, 3)].', '.['NULL', "'https://outside.example/new'"][mt_rand(0, 1)]
                .', false, '.mt_rand(0, 4)
                .", '', now(), now()) ON CONFLICT (url) DO UPDATE SET status = excluded.status, moved = excluded.moved, away_days = "
                    .'excluded.away_days',
            "DELETE FROM catalogue.standing WHERE category_id IN (SELECT id FROM place WHERE kind = 'category' ORDER BY md5(id::text || '"
                .mt_rand()."') LIMIT 1)",
        ];
        $one = $sql[mt_rand(0, \count($sql) - 1)];
        $this->made[] = $one;
        $this->workbench()->executeStatement($one);
    }

    private function link(): string
    {
        $ids = $this->workbench()->fetchFirstColumn("SELECT id FROM place ORDER BY md5(id::text || '".mt_rand()."') LIMIT 2");
        [$one, $other] = [\is_string($ids[0] ?? null) ? $ids[0] : '', \is_string($ids[1] ?? null) ? $ids[1] : ''];

        return [
            '',
            "<p><a href=\"place:$one\">one</a> <img src=\"place:$other\" alt=\"\" /></p>",
            "<p><a href=\"place:$one#what\">one</a></p><h2 id=\"whatever\">What</h2>",
            '<p><a href="/edit-'.mt_rand(1, 24).'">typed</a></p>',
            '<p><a href="http://outside.example/'.mt_rand(1, 3).'">out</a> <span data-blank="company"></span></p>',
        ][mt_rand(0, 4)];
    }
}
