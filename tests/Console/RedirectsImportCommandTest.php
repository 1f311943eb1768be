<?php

declare(strict_types=1);

namespace Lantern\Tests\Console;

use Lantern\Demo\DemoId;
use Lantern\Tests\ShopTestCase;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;

final class RedirectsImportCommandTest extends ShopTestCase
{
    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/lantern-redirects-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob("$this->folder/*") ?: []);
        rmdir($this->folder);
        parent::tearDown();
    }

    public function testAFileIsTakenPublishedAndTheRefusedLinesComeBackAsAFile(): void
    {
        $file = $this->file("Old URL;New URL;Code\n/a;/papers;301\n/b;/a;\n/papers;/x;\n/round;/trip;\n/trip;/round;\n");
        $run = $this->perform(
            'lantern:redirects:import',
            ['file' => $file, '--publish' => true, '--refused' => "$this->folder/refused.csv"],
        );
        self::assertSame(0, $run->getStatusCode());
        $told = json_decode($run->getDisplay(), true);
        self::assertIsArray($told);
        self::assertSame([2, 0, 3, 2], [$told['added'], $told['already'], $told['refused'], $told['release']]);
        self::assertStringContainsString(
            '/round → /trip → /round',
            (string) json_encode($told['refusedLines'], \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES),
        );
        self::assertSame('2', $this->value(<<<'SQL'
            SELECT count(*) FROM live.redirect WHERE source IN ('/a', '/b') AND goal_place_id = ?
            SQL, DemoId::of('categories/papers')));
        $refused = (string) file_get_contents("$this->folder/refused.csv");
        self::assertSame(4, substr_count($refused, "\r\n"));
        self::assertStringStartsWith('source,target,status,until,note,refused because', $refused);
        // What was refused can be mended and brought again as it is.
        $again = $this->perform('lantern:redirects:import', ['file' => $file]);
        $told = json_decode($again->getDisplay(), true);
        self::assertIsArray($told);
        self::assertSame([0, 2, 3, null], [$told['added'], $told['already'], $told['refused'], $told['release']]);
        self::assertStringContainsString('Judging: 5 of 5', $again->getErrorOutput());
    }

    public function testADryRunTellsAndStoresNothing(): void
    {
        $before = $this->value('SELECT count(*) FROM redirect');
        $run = $this->perform(
            'lantern:redirects:import',
            ['file' => $this->file("source,target\n/a,/papers\n"), '--dry-run' => true, '--publish' => true],
        );
        self::assertStringContainsString('"added": 1', $run->getDisplay());
        self::assertSame(
            [$before, '0'],
            [$this->value('SELECT count(*) FROM redirect'), $this->value('SELECT count(*) FROM journal.touched')],
        );
    }

    public function testWhatIsNoFileIsSaid(): void
    {
        foreach (['/not/there.csv' => 'no such file', $this->file('Dear Sir') => 'only one column'] as $file => $says) {
            $run = $this->perform('lantern:redirects:import', ['file' => $file]);
            self::assertNotSame(0, $run->getStatusCode());
            self::assertStringContainsString($says, $run->getErrorOutput());
            self::assertSame('', $run->getDisplay());
        }
    }

    public function testWhatIsWrittenIsOfTheCopyThatWasAskedFor(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO redirect (id, source, goal_place_id, status) VALUES (gen_random_uuid(), '/only-here', ?, 301)
            SQL, [DemoId::of('categories/papers')]);
        $written = fn (array $options): string => $this->perform('lantern:redirects:export', $options)->getDisplay();
        self::assertStringContainsString('/only-here,/papers,301', $written([]));
        self::assertStringNotContainsString('/only-here', $written(['--copy' => 'live']));
        self::assertStringContainsString('"/only-here" "/papers";', $written(['--format' => 'nginx']));
        $all = json_decode($written(['--format' => 'json']), true);
        self::assertIsArray($all);
        self::assertContains(['source' => '/only-here', 'target' => '/papers', 'status' => '301', 'until' => '', 'note' => ''], $all);
        foreach ([['--format' => 'xml'], ['--copy' => 'draft']] as $wrong) {
            self::assertSame(2, $this->perform('lantern:redirects:export', $wrong)->getStatusCode());
        }
    }

    public function testWhatWasWrittenIsReadAgainByNginxItself(): void
    {
        $this->workbench()->executeStatement(
            "INSERT INTO redirect (id, source, is_prefix, goal_address, goal_place_id, status) VALUES (gen_random_uuid(), '/é\$x\"y', "
                ."false, NULL, :papers, 301), (gen_random_uuid(), '/a.b', true, '/c', NULL, 301), (gen_random_uuid(), '/a.b/c', true, "
                .'NULL, :papers, 301)',
            ['papers' => DemoId::of('categories/papers')],
        );
        $map = $this->file($this->perform('lantern:redirects:export', ['--format' => 'nginx'])->getDisplay());
        $config = $this->file(
            "pid $this->folder/pid;\nerror_log stderr;\nevents {}\nhttp { map_hash_bucket_size 256; access_log off; map \$uri \$moved { "
                ."default ''; include $map; } }\n",
        );
        exec('nginx -t -c '.escapeshellarg($config).' 2>&1', $said, $status);
        self::assertSame(0, $status, implode("\n", $said));
        $lines = (string) file_get_contents($map);
        self::assertLessThan(strpos($lines, '~^/a\.b(?<rest>'), (int) strpos($lines, '~^/a\.b/c/.+$'), 'the longer way comes first');
    }

    private function file(string $content): string
    {
        $file = tempnam($this->folder, 'f') ?: throw new \LogicException('No file.');
        file_put_contents($file, $content);

        return $file;
    }

    /** @param array<string, mixed> $input */
    private function perform(string $name, array $input): CommandTester
    {
        self::assertNotNull(self::$kernel);
        $tester = new CommandTester((new Application(self::$kernel))->find($name));
        $tester->execute($input, ['capture_stderr_separately' => true]);

        return $tester;
    }
}
