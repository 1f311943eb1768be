<?php

declare(strict_types=1);

namespace Lantern\Tests\Start;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;

/** What bin/start says when it cannot start: one clear line, and a status that is not zero. */
final class StartTest extends TestCase
{
    private string $var;

    protected function setUp(): void
    {
        $this->var = sys_get_temp_dir().'/lantern-start-'.bin2hex(random_bytes(4));
        mkdir($this->var);
    }

    protected function tearDown(): void
    {
        (new Filesystem())->remove($this->var);
    }

    public function testATakenPortIsNamedWithTheVariableThatChoosesAnother(): void
    {
        foreach (['LANTERN_STOREFRONT_PORT', 'LANTERN_ADMIN_PORT', 'LANTERN_DATABASE_PORT'] as $name) {
            $taken = stream_socket_server('tcp://127.0.0.1:0');
            self::assertNotFalse($taken);
            $port = substr((string) strrchr((string) stream_socket_get_name($taken, false), ':'), 1);
            self::assertSame("Port $port is taken. Stop what uses it, or choose another with $name.", $this->refusal([$name => $port]));
        }
    }

    public function testABrokenDatabaseDirectoryIsNamed(): void
    {
        mkdir("$this->var/postgres");
        file_put_contents("$this->var/postgres/PG_VERSION", "15\n");
        $said = $this->refusal([]);
        self::assertStringContainsString("$this->var/postgres is not a whole database directory", $said);
        self::assertStringContainsString('bin/start --reset', $said);
        self::assertFileExists("$this->var/postgres/PG_VERSION", 'and nothing of it is thrown away');
    }

    public function testAnUnknownArgumentIsRefused(): void
    {
        self::assertSame('bin/start takes --reset, --empty or nothing; it does not know --fast.', $this->refusal([], '--fast'));
    }

    public function testAMissingToolIsNamed(): void
    {
        $tools = "$this->var/tools";
        mkdir($tools);
        // Everything that is on the path but npm.
        foreach (['/usr/local/bin', '/usr/bin', '/bin', '/usr/sbin'] as $folder) {
            foreach (scandir($folder) ?: [] as $tool) {
                if (!\in_array($tool, ['.', '..', 'npm', 'node'], true) && !file_exists("$tools/$tool")) {
                    symlink("$folder/$tool", "$tools/$tool");
                }
            }
        }
        self::assertSame('Node.js 20 or later with npm is missing. Install it, then run this again.', $this->refusal(['PATH' => $tools]));
    }

    /** @param array<string, string> $environment */
    private function refusal(array $environment, string ...$arguments): string
    {
        // Ports of its own, so that nothing that runs on this machine is in the way.
        $start = new Process([\dirname(__DIR__, 2).'/bin/start', ...$arguments], null, $environment + [
            'LANTERN_VAR' => $this->var,
            'LANTERN_STOREFRONT_PORT' => '8390',
            'LANTERN_ADMIN_PORT' => '8391',
            'LANTERN_DATABASE_PORT' => '8392',
            'LANTERN_WORLD_PORT' => '8393',
            'PATH' => (string) getenv('PATH'),
        ]);
        $start->setTimeout(60);
        self::assertNotSame(0, $start->run());

        return trim($start->getErrorOutput());
    }
}
