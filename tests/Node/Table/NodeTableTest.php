<?php

declare(strict_types=1);

namespace Lantern\Tests\Node\Table;

use Lantern\Core\Answer\Answerer;
use Lantern\Core\Impact\VisitorForwarding;
use Lantern\Core\Person\Actor;
use Lantern\Core\Visitor;
use Lantern\Demo\DemoId;
use Lantern\Reading\Copies\Copies;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Addresses\AddressEditor;
use Lantern\Workbench\Addresses\AddressWish;
use Lantern\Workbench\Places\PlaceRemover;
use Lantern\Workbench\Publishing\Publisher;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\InputStream;
use Symfony\Component\Process\Process;

final class NodeTableTest extends ShopTestCase
{
    private string $directory;
    private Process $node;
    private InputStream $says;

    protected function setUp(): void
    {
        parent::setUp();
        $this->directory = sys_get_temp_dir().'/lantern-table-'.bin2hex(random_bytes(4));
        $this->startNode();
    }

    private function startNode(): void
    {
        $this->says = new InputStream();
        $url = $_SERVER['DATABASE_URL'] ?? '';
        $this->node = new Process(
            ['php', '-d', 'apc.enable_cli=1', __DIR__.'/node-table.php', $this->directory],
            env: ['DATABASE_URL' => \is_string($url) ? $url : ''],
            input: $this->says,
            timeout: 60,
        );
        $this->node->start();
    }

    private function stopNode(): void
    {
        $this->says->close();
        $this->node->stop();
    }

    protected function tearDown(): void
    {
        $this->stopNode();
        (new Filesystem())->remove($this->directory);
        parent::tearDown();
    }

    /** Files that were taken away take their room as long as somebody has them open. */
    public function testNoTableStaysOpenAfterAnAnswer(): void
    {
        $this->tell('keep-up');
        $this->tell('hop /agb');
        self::assertSame(0, $this->tell('open'));
    }

    public function testItTellsWhereEachRedirectEndsAndKeepsUpWithReleases(): void
    {
        self::assertNull($this->tell('hop /agb'), 'before it is made, nobody can tell');
        self::assertSame(1, $this->tell('keep-up'));
        $this->compareAll();

        // A place that three redirects lead to moves, another one ends, a third is closed on a date.
        $this->service(AddressEditor::class)->change(
            [new AddressWish(DemoId::of('categories/marbled'), '/papers/marbled', '/papers/swirled')],
            $this->actor(),
        );
        $this->service(PlaceRemover::class)->remove(DemoId::of('collections/small-gifts'), 1, VisitorForwarding::gone(), $this->actor());
        $this->workbench()->executeStatement("UPDATE place SET closes_on = now() + interval '1 hour' WHERE address = '/tools/folding'");
        self::assertNotNull($this->tell('hop /bone-folders'));
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        $this->tell('forget');
        self::assertNull($this->tell('hop /agb'), 'of another release nothing is told');
        self::assertSame(2, $this->tell('keep-up'), 'what changed is written beside the table');
        $this->compareAll();
        self::assertSame([301, '/papers/swirled'], $this->tell('hop /marbled-papers'));
        self::assertSame([301, '/papers/swirled'], $this->tell('hop /papers/marbled'), 'a redirect that is new');
        self::assertNull($this->tell('hop /bone-folders'), 'a date could change where it leads');
        self::assertNull($this->tell('place /papers/marbled'));
        self::assertSame('Marbled papers', $this->tell('place /papers/swirled'));

        // So much changes that the table is made anew.
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO redirect (id, source, goal_place_id, status) SELECT gen_random_uuid(), '/many/' || n, ?, 301
            FROM generate_series(1, 2500) n
            SQL, [DemoId::of('categories/papers')]);
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        $this->tell('forget');
        $this->tell('keep-up');
        self::assertSame([301, '/papers'], $this->tell('hop /many/2499'));
        self::assertSame([301, '/papers/swirled'], $this->tell('hop /marbled-papers'));
    }

    public function testFilesOutliveTheMemoryOfTheNode(): void
    {
        $this->tell('keep-up');
        $files = glob("$this->directory/addresses-*");
        $this->stopNode();
        $this->startNode();
        self::assertNotNull($this->tell('hop /agb'), 'the first answer waits for nothing');
        $this->tell('keep-up');
        self::assertNotNull($this->tell('hop /agb'));
        self::assertSame($files, glob("$this->directory/addresses-*"), 'nothing was made anew');
    }

    public function testATableOfAnotherHistoryIsMadeAnew(): void
    {
        $this->tell('keep-up');
        $this->stopNode();
        // As after a backup was restored: the numbers go on, but they are those of other releases.
        $this->workbench()->executeStatement('DELETE FROM journal.release');
        $this->workbench()->executeStatement("DELETE FROM live.redirect WHERE source = '/agb'");
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO journal.release (id, number, released_by, summary)
            VALUES (gen_random_uuid(), 1, 'x', 'x'), (gen_random_uuid(), 2, 'x', 'x')
            SQL);
        $this->startNode();
        self::assertSame(2, $this->tell('keep-up'));
        self::assertNull($this->tell('hop /agb'));
        $this->compareAll();
    }

    public function testManyReleasesOfOneRowAreNotTakenForFewChanges(): void
    {
        $this->tell('keep-up');
        // The last of them is what counts, however many there were.
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO journal.release (id, number, released_by, summary) SELECT gen_random_uuid(), n, 'x', 'x'
            FROM generate_series(2, 2600) n
            SQL);
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO journal.release_row SELECT n.id, 'redirect', r.id::text, '{"source": "/agb"}', '{"source": "/agb"}'
            FROM journal.release n, live.redirect r WHERE n.number BETWEEN 2 AND 2599 AND r.source = '/agb'
            SQL);
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO journal.release_row SELECT n.id, 'redirect', r.id::text, NULL, '{"source": "/blog"}'
            FROM journal.release n, live.redirect r WHERE n.number = 2600 AND r.source = '/blog' AND NOT r.is_prefix
            SQL);
        $this->workbench()->executeStatement("DELETE FROM live.redirect WHERE source = '/blog' AND NOT is_prefix");
        $this->tell('forget');
        $this->tell('keep-up');
        self::assertNull($this->tell('hop /blog'));
        $this->compareAll();
    }

    private function compareAll(): void
    {
        $live = $this->service(Copies::class)->live;
        $answerer = new Answerer($live->places, $live->rules);
        $told = 0;
        foreach (array_keys($this->pairs(<<<'SQL'
            SELECT source, id FROM live.redirect WHERE NOT is_prefix UNION SELECT address, id FROM live.place
            SQL)) as $path) {
            $hop = $this->tell("hop $path");
            if (null !== $hop) {
                $answer = $answerer->answer($path, Visitor::guest(new \DateTimeImmutable()));
                self::assertSame([$answer->status, $answer->location], $hop, $path);
                self::assertNull($answer->changesAt, $path);
                ++$told;
            }
        }
        self::assertGreaterThan(15, $told);
    }

    private function tell(string $line): mixed
    {
        $this->says->write("$line\n");
        $answer = '';
        while (!str_contains($answer, "\n")) {
            self::assertTrue($this->node->isRunning(), $this->node->getErrorOutput());
            $answer .= $this->node->getIncrementalOutput();
            usleep(500);
        }

        return json_decode($answer, true, flags: \JSON_THROW_ON_ERROR);
    }
}
