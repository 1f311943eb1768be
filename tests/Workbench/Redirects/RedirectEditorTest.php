<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Redirects;

use Lantern\Core\NotThere;
use Lantern\Core\Redirect\LineOutcome;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\SheetLine;
use Lantern\Core\Refused;
use Lantern\Core\Stale;
use Lantern\Demo\DemoId;
use Lantern\Interchange\Csv\RedirectCsv;
use Lantern\Interchange\Csv\RedirectExport;
use Lantern\Reading\Redirects\RedirectFilter;
use Lantern\Reading\Redirects\RedirectTable;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Redirects\RedirectEditor;
use Symfony\Component\Uid\UuidV7;

final class RedirectEditorTest extends ShopTestCase
{
    public function testWhatIsExportedAndBroughtAgainChangesNothing(): void
    {
        $before = $this->rows();
        $csv = implode('', iterator_to_array(RedirectExport::write('csv', $this->table()->all()), false));
        $file = fopen('php://memory', 'w+') ?: throw new \LogicException('No memory.');
        fwrite($file, $csv);
        rewind($file);
        $judgement = $this->editor()->take(
            array_values(iterator_to_array(RedirectCsv::read($file), false)),
            'file',
            $this->actor(),
        )->judgement;
        self::assertSame([], $judgement->added);
        self::assertSame(0, $judgement->count(LineOutcome::Added));
        self::assertSame($before, $this->rows());
    }

    public function testARedirectIsMadeChangedAndTakenAwayAndEachIsTakenBack(): void
    {
        $begin = $this->rows();
        $this->editor()->make(new SheetLine(1, '/Winter//List/', '/papers/marbled', '302', '2030-01-01', 'Posters'), $this->actor());
        $id = $this->value("SELECT id FROM redirect WHERE source = '/winter/list'");
        self::assertSame(DemoId::of('categories/marbled'), $this->value('SELECT goal_place_id FROM redirect WHERE id = ?', $id));
        $made = $this->rows();
        $changed = $this->editor()->change($id, 1, new SheetLine(1, '/winter/list', '/tools', '301'), $this->actor());
        self::assertSame(DemoId::of('categories/tools').' 2', $this->value(<<<'SQL'
            SELECT goal_place_id || ' ' || version FROM redirect WHERE source = '/winter/list'
            SQL));
        $before = $this->rows();
        try {
            $this->editor()->change($id, 2, new SheetLine(1, '/winter/list', '/winter/list'), $this->actor());
            self::fail('It was changed.');
        } catch (Refused) {
            self::assertSame($before, $this->rows(), 'what cannot be leaves the old one as it was');
        }
        try {
            $this->editor()->change($id, 1, new SheetLine(1, '/winter/list', '/kits'), $this->actor());
            self::fail('Somebody else’s change was overwritten.');
        } catch (Stale $stale) {
            self::assertSame(2, $stale->currentVersion);
        }
        $removed = $this->editor()->remove([$id], $this->actor());
        self::assertSame($begin, $this->rows());
        foreach ([[$removed, $before], [$changed, $made]] as [$edit, $was]) {
            $this->service(EditLog::class)->takeBack($edit, $this->actor());
            self::assertSame($this->apartFromVersions($was), $this->apartFromVersions($this->rows()));
        }
        $this->expectException(NotThere::class);
        $this->editor()->change((new UuidV7())->toRfc4122(), 1, new SheetLine(1, '/winter/list', '/tools'), $this->actor());
    }

    public function testManyAreChangedAsOneOrNotAtAll(): void
    {
        $csv = [
            new SheetLine(1, '/a', '/papers', '301', '', 'one'),
            new SheetLine(2, '/b', '/tools'),
            new SheetLine(3, '/c', 'https://example.org/c'),
        ];
        $this->editor()->take($csv, 'file', $this->actor());
        $ids = array_keys($this->pairs("SELECT id, source FROM redirect WHERE origin = 'file' AND source IN ('/a', '/b', '/c')"));
        $before = $this->rows();
        $edit = $this->editor()->changeMany($ids, null, '302', '2031-05-01', $this->actor());
        self::assertSame('3 redirects are changed.', $edit->sentence);
        self::assertSame('3', $this->value(<<<'SQL'
            SELECT count(*) FROM redirect WHERE status = 302 AND until = '2031-05-02' AND origin = 'file'
            AND (source <> '/a' OR note = 'one')
            SQL));
        $this->service(EditLog::class)->takeBack($edit, $this->actor());
        self::assertSame($this->apartFromVersions($before), $this->apartFromVersions($this->rows()));
        $this->editor()->changeMany($ids, '/kits', null, null, $this->actor());
        self::assertSame('3', $this->value('SELECT count(*) FROM redirect WHERE goal_place_id = ?', DemoId::of('categories/kits')));
        $before = $this->rows();
        try {
            $this->editor()->changeMany($ids, '/b', null, null, $this->actor());
            self::fail('One of them leads to itself.');
        } catch (Refused $refused) {
            self::assertStringStartsWith('/b: This would go round in a circle', $refused->getMessage());
        }
        self::assertSame($before, $this->rows());
        $this->editor()->changeMany($ids, null, '410', null, $this->actor());
        self::assertSame('3', $this->value(<<<'SQL'
            SELECT count(*) FROM redirect WHERE status = 410 AND goal_place_id IS NULL AND source IN ('/a', '/b', '/c')
            SQL));
    }

    public function testAWholeFileIsTakenBackAsOne(): void
    {
        $before = $this->rows();
        $lines = array_map(
            static fn (int $n): SheetLine => new SheetLine(
                $n,
                "/old-site/$n.html",
                0 === $n % 3 ? '/papers' : '/old-site/'.($n + 1).'.html',
            ),
            range(1, 299),
        );
        $taken = $this->editor()->take($lines, 'file', $this->actor());
        self::assertSame(299, $taken->judgement->count(LineOutcome::Added));
        self::assertSame('297', $this->value(<<<'SQL'
            SELECT count(*) FROM redirect WHERE source LIKE '/old-site/%' AND goal_place_id = ?
            SQL, DemoId::of('categories/papers')), 'chains are flattened when they are made; the last two lead where nothing is');
        $this->service(EditLog::class)->takeBack($taken->edit, $this->actor());
        self::assertSame($before, $this->rows());
    }

    public function testTheTableIsNarrowedAndPagedBySource(): void
    {
        $sources = static fn (array $rows): array => array_map(static fn ($one): string => $one->rule->sourceWords(), $rows);
        self::assertSame(['/bindery-tours'], $sources($this->table()->page(new RedirectFilter(mark: 'nowhere'), null)));
        self::assertContains('/blog/*', $sources($this->table()->page(new RedirectFilter('journal'), null)));
        self::assertNotContains('/agb', $sources($this->table()->page(new RedirectFilter(status: RedirectStatus::ForNow), null)));
        $all = $sources($this->table()->page(new RedirectFilter(), null));
        $first = $this->table()->page(new RedirectFilter(), null, 5);
        self::assertSame(\array_slice($all, 5, 5), $sources($this->table()->page(new RedirectFilter(), $first[4]->rule->id, 5)));
    }

    public function testTheMapForNginxHasExactRulesThatLeadOnForGood(): void
    {
        $map = implode('', iterator_to_array(RedirectExport::write('nginx', $this->table()->all()), false));
        self::assertStringContainsString('"/agb" "/policies/', $map);
        self::assertStringContainsString('"~^/blog(?<rest>/.+)$" "/journal$rest";', $map);
        $json = json_decode(
            implode('', iterator_to_array(RedirectExport::write('json', $this->table()->all()), false)),
            true,
            flags: \JSON_THROW_ON_ERROR,
        );
        self::assertIsArray($json);
        self::assertCount($this->table()->count(), $json);
    }

    private function rows(): string
    {
        return (string) $this->value('SELECT jsonb_agg(r ORDER BY r.id) FROM redirect r');
    }

    private function apartFromVersions(string $rows): string
    {
        return (string) preg_replace('/"version": \d+/', '', $rows);
    }

    private function editor(): RedirectEditor
    {
        return $this->service(RedirectEditor::class);
    }

    private function table(): RedirectTable
    {
        return $this->service(RedirectTable::class);
    }
}
