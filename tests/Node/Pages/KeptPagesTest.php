<?php

declare(strict_types=1);

namespace Lantern\Tests\Node\Pages;

use Lantern\Core\Person\Actor;
use Lantern\Demo\DemoId;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Publishing\Publisher;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\InputStream;
use Symfony\Component\Process\Process;

/** Pages that a node keeps: for how long they are given, and who makes the next one. */
final class KeptPagesTest extends ShopTestCase
{
    private string $directory;

    /** @var list<array{Process, InputStream}> */
    private array $nodes = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->directory = sys_get_temp_dir().'/lantern-pages-'.bin2hex(random_bytes(4));
        $this->node();
        self::assertSame(1, $this->tell('look'));
    }

    protected function tearDown(): void
    {
        foreach ($this->nodes as [$node, $says]) {
            $says->close();
            $node->stop();
        }
        (new Filesystem())->remove($this->directory);
        parent::tearDown();
    }

    public function testAClockThatBeganAnewMakesNothingFreshThatIsOld(): void
    {
        $papers = DemoId::of('categories/papers');
        for ($n = 0; $n < 5; ++$n) {
            $this->publish("UPDATE place SET summary = 'Words $n' WHERE id = '$papers'");
        }
        $this->tell('begin');
        $this->tell("keep /papers p:$papers frame");
        self::assertTrue($this->tell('fresh /papers'));
        // What the end of its time, or a full memory, does to it.
        $this->tell('lose-clock');
        $this->publish("UPDATE place SET summary = 'The latest' WHERE id = '$papers'");
        self::assertFalse($this->tell('fresh /papers'), 'made before the change');
        self::assertSame(1, $this->tell('begin'));
        $this->tell("keep /papers p:$papers frame");
        self::assertTrue($this->tell('fresh /papers'), 'made since, and not anew with every request');
    }

    public function testAPageStandsUntilSomethingChangesThatItShows(): void
    {
        [$papers, $tools] = [DemoId::of('categories/papers'), $this->value(<<<'SQL'
            SELECT id FROM place p WHERE kind = 'page' AND NOT EXISTS (SELECT FROM entry e WHERE e.place_id = p.id) ORDER BY address
            LIMIT 1
            SQL)];
        $this->tell('begin');
        $this->tell("keep /papers p:$papers frame");
        $this->tell("keep /makers p:$tools frame");
        $this->tell('keep /products p:x l:products frame');
        self::assertSame('body of /papers', $this->tell('get /papers'));
        self::assertTrue($this->tell('fresh /papers'));
        self::assertFalse($this->tell('fresh-later /papers'), 'a date may change it');

        $this->publish("UPDATE place SET summary = 'Other words' WHERE id = '$tools'");
        self::assertSame([true, false, true], [$this->tell('fresh /papers'), $this->tell('fresh /makers'), $this->tell('fresh /products')]);
        self::assertSame('body of /makers', $this->tell('get /makers'), 'it may be given as long as nothing better is there');

        // A product system that says something of a product, and nothing that anybody published.
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE product SET featured = NOT featured WHERE id = (SELECT min(id::text)::uuid FROM product)
            SQL);
        $this->tell('look');
        self::assertSame([true, false], [$this->tell('fresh /papers'), $this->tell('fresh /products')]);

        $this->publish("UPDATE entry SET label = 'Another' WHERE id = (SELECT min(id::text)::uuid FROM entry)");
        self::assertFalse($this->tell('fresh /papers'), 'menus stand around every page');
    }

    public function testWhatBeganBeforeAReleaseIsStaleAfterIt(): void
    {
        $papers = DemoId::of('categories/papers');
        $this->tell('begin');
        $this->publish("UPDATE place SET title = 'Sheets' WHERE id = '$papers'");
        $this->tell("keep /papers p:$papers frame");
        self::assertFalse($this->tell('fresh /papers'), 'nobody knows which of the two it saw');
        $this->tell('begin');
        $this->tell("keep /papers p:$papers frame");
        self::assertTrue($this->tell('fresh /papers'));
    }

    public function testNothingIsTrustedWithoutAMemoryOfWhatChanged(): void
    {
        $this->tell('begin');
        $this->tell('keep /papers p:x frame');
        $this->tell('wipe');
        self::assertFalse($this->tell('fresh /papers'));
        self::assertSame('body of /papers', $this->tell('get /papers'), 'a full memory takes no page with it');

        $this->tell('look');
        $this->tell('begin');
        $this->tell('keep /papers p:x frame');
        self::assertTrue($this->tell('fresh /papers'));
        $this->tell('fill');
        $this->publish("UPDATE entry SET label = 'Another' WHERE id = (SELECT min(id::text)::uuid FROM entry)");
        self::assertFalse($this->tell('fresh /papers'), 'there was no room to note the change in');
    }

    public function testWhatIsCutShortOrOfAnotherAddressIsNoPage(): void
    {
        $this->tell('begin');
        $this->tell('keep /papers p:x frame');
        $files = array_values(array_filter(glob("$this->directory/*/*") ?: [], is_file(...)));
        self::assertCount(1, $files);
        file_put_contents($files[0], substr((string) file_get_contents($files[0]), 0, -3));
        self::assertNull($this->tell('get /papers'));
        file_put_contents($files[0], '');
        self::assertNull($this->tell('get /papers'));
    }

    public function testOneMakesAPageAndTheOthersGetWhatIsThere(): void
    {
        $this->tell('begin');
        $this->tell('keep /papers p:x frame');
        $this->node();
        self::assertTrue($this->tell('make /papers'));
        self::assertFalse($this->tell('make /papers', 1), 'one makes it, the other gives the earlier one');
        // It ends with its process, whatever becomes of that.
        $this->nodes[0][0]->signal(\SIGKILL);
        $this->nodes[0][0]->wait();
        self::assertTrue($this->tell('make /papers', 1));
    }

    public function testWhatIsKnownHoldsWhileTheDatabaseIsAway(): void
    {
        self::assertTrue($this->tell('away'));
        $this->publish("UPDATE entry SET label = 'Another' WHERE id = (SELECT min(id::text)::uuid FROM entry)", look: false);
        self::assertSame(1, $this->tell('look'));
        sleep(2);
        self::assertSame(2, $this->tell('look'), 'and two seconds later the news is there');
    }

    private function publish(string $sql, bool $look = true): void
    {
        $this->workbench()->executeStatement($sql);
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        if ($look) {
            $this->tell('look');
        }
    }

    private function node(): void
    {
        $says = new InputStream();
        $url = $_SERVER['DATABASE_URL'] ?? '';
        $node = new Process(
            ['php', '-d', 'apc.enable_cli=1', '-d', 'apc.shm_size=32M', __DIR__.'/pages-of-a-node.php', $this->directory],
            env: ['DATABASE_URL' => \is_string($url) ? $url : ''],
            input: $says,
            timeout: 60,
        );
        $node->start();
        $this->nodes[] = [$node, $says];
    }

    private function tell(string $line, int $to = 0): mixed
    {
        [$node, $says] = $this->nodes[$to];
        $says->write("$line\n");
        $answer = '';
        while (!str_contains($answer, "\n")) {
            self::assertTrue($node->isRunning(), $node->getErrorOutput());
            $answer .= $node->getIncrementalOutput();
            usleep(500);
        }

        return json_decode($answer, true, flags: \JSON_THROW_ON_ERROR);
    }
}
