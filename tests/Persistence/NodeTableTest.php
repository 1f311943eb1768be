<?php

declare(strict_types=1);

namespace Lantern\Tests\Persistence;

use Lantern\Core\Address\Address;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Impact\Onward;
use Lantern\Core\Visitor;
use Lantern\Demo\DemoId;
use Lantern\Persistence\AddressEditor;
use Lantern\Persistence\AddressWish;
use Lantern\Persistence\Copies;
use Lantern\Persistence\PlaceRemover;
use Lantern\Persistence\Publisher;
use Lantern\Tests\ShopTestCase;
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
        $this->says = new InputStream();
        $url = $_SERVER['DATABASE_URL'] ?? '';
        $this->node = new Process(['php', '-d', 'apc.enable_cli=1', __DIR__.'/node-table.php', $this->directory], env: ['DATABASE_URL' => \is_string($url) ? $url : ''], input: $this->says, timeout: 60);
        $this->node->start();
    }

    protected function tearDown(): void
    {
        $this->says->close();
        $this->node->stop();
        (new Filesystem())->remove($this->directory);
        parent::tearDown();
    }

    public function testItTellsWhereEachRedirectEndsAndKeepsUpWithReleases(): void
    {
        self::assertNull($this->tell('hop /agb'), 'before it is made, nobody can tell');
        self::assertSame(1, $this->tell('keep-up'));
        $this->compareAll();

        // A place that three redirects lead to moves, another one ends, a third is closed on a date.
        $this->service(AddressEditor::class)->change([new AddressWish(DemoId::of('categories/marbled'), '/papers/marbled', Address::parse('/papers/swirled'))], $this->person());
        $this->service(PlaceRemover::class)->remove(DemoId::of('collections/small-gifts'), 1, Onward::gone(), $this->person());
        $this->workbench()->executeStatement("UPDATE place SET closes_on = now() + interval '1 hour' WHERE address = '/tools/folding'");
        self::assertNotNull($this->tell('hop /bone-folders'));
        $this->service(Publisher::class)->publish('Joss');
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
        $this->workbench()->executeStatement("INSERT INTO redirect (id, source, goal_place_id, status) SELECT gen_random_uuid(), '/many/' || n, ?, 301 FROM generate_series(1, 2500) n", [DemoId::of('categories/papers')]);
        $this->service(Publisher::class)->publish('Joss');
        $this->tell('forget');
        $this->tell('keep-up');
        self::assertSame([301, '/papers'], $this->tell('hop /many/2499'));
        self::assertSame([301, '/papers/swirled'], $this->tell('hop /marbled-papers'));
    }

    private function compareAll(): void
    {
        $live = $this->service(Copies::class)->live;
        $answerer = new Answerer($live->places, $live->rules);
        $told = 0;
        foreach (array_keys($this->pairs('SELECT source, id FROM live.redirect WHERE NOT is_prefix UNION SELECT address, id FROM live.place')) as $path) {
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
