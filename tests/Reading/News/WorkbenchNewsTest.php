<?php

declare(strict_types=1);

namespace Lantern\Tests\Reading\News;

use Doctrine\DBAL\Connection;
use Lantern\Demo\DemoId;
use Lantern\Reading\News\ChangedThing;
use Lantern\Reading\News\WorkbenchNews;
use Lantern\Tests\ShopTestCase;

/** What others change is told once, in whatever order their transactions end. */
final class WorkbenchNewsTest extends ShopTestCase
{
    public function testWhatEndedMeanwhileIsToldOnceThoughItBeganBefore(): void
    {
        $kits = DemoId::of('categories/kits');
        $early = $this->server('lantern_test');
        $early->exec("BEGIN; UPDATE workbench.place SET summary = summary || '.' WHERE id = '$kits'");
        // Another one begins later, ends sooner, and is seen.
        $this->workbench()->executeStatement("UPDATE bay SET heading = 'Other' WHERE id = 'footer-1'");
        $news = $this->service(WorkbenchNews::class);
        $mark = $news->since(null, '')->mark;
        self::assertSame([], $news->since($mark, '')->changed, 'nothing of it counts before it ends');
        $early->exec('COMMIT');
        $after = $news->since($mark, '');
        self::assertEquals([new ChangedThing('place', $kits)], $after->changed);
        self::assertSame([], $news->since($after->mark, '')->changed);
    }

    public function testTellsWhatChangedAndNotWhatThePageDidItself(): void
    {
        $news = $this->service(WorkbenchNews::class);
        $count = fn (string $page): int => (int) $this->value("SELECT count(*) FROM journal.news WHERE page = '$page'");
        $this->workbench()->executeStatement("SELECT set_config('lantern.page', 'a-page-of-mine', false)");
        $this->workbench()->transactional(static function (Connection $connection): void {
            $connection->executeStatement("UPDATE entry SET label = 'Other' WHERE id = ?", [DemoId::of('entries/header/0')]);
            $connection->executeStatement("UPDATE entry SET label = 'Another' WHERE id = ?", [DemoId::of('entries/header/0')]);
        });
        self::assertSame(1, $count('a-page-of-mine'), 'once a transaction');
        $mark = $news->since(null, '')->mark;
        $this->workbench()->executeStatement("UPDATE entry SET label = 'Mine' WHERE id = ?", [DemoId::of('entries/header/0')]);
        self::assertSame([], $news->since($mark, 'a-page-of-mine')->changed, 'what a page did itself is no news to it');
        self::assertEquals([new ChangedThing('menu', DemoId::of('menus/header'))], $news->since($mark, 'another-page')->changed);
        self::assertSame(
            DemoId::of('menus/header'),
            $this->value('SELECT id FROM journal.news WHERE about = ? AND page = ?', 'menu', 'a-page-of-mine'),
        );
        $this->workbench()->executeStatement("UPDATE place SET summary = 'x' WHERE kind = 'product'");
        self::assertNull(
            $this->workbench()->fetchOne("SELECT id FROM journal.news WHERE about = 'place'"),
            'of very many it is not told which',
        );
        self::assertTrue($news->since('1@1:1:', '')->everything, 'a page that was away for long asks for all of it');
        self::assertFalse($news->since(null, '')->everything);
    }
}
