<?php

declare(strict_types=1);

namespace Lantern\Tests\Start;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;

/** What the whole program does when a part of it is not there: bin/start itself, with servers that are killed. */
final class OutageTest extends TestCase
{
    private const PORT = 8394;
    private const KNOWN = ['/binding-guides/keeping-a-knife-sharp', '/papers/marbled', '/'];

    private string $var;
    private Process $start;

    protected function setUp(): void
    {
        $this->var = sys_get_temp_dir().'/lantern-outage-'.bin2hex(random_bytes(4));
        mkdir($this->var);
        // Whoever serves has to get in.
        chmod($this->var, 0o755);
        $this->start = new Process([\dirname(__DIR__, 2).'/bin/start'], null, [
            'LANTERN_VAR' => $this->var,
            'LANTERN_STOREFRONT_PORT' => (string) self::PORT,
            'LANTERN_ADMIN_PORT' => (string) (self::PORT + 1),
            'LANTERN_DATABASE_PORT' => (string) (self::PORT + 2),
            'LANTERN_WORLD_PORT' => (string) (self::PORT + 3),
            'PATH' => (string) getenv('PATH'),
            'APP_ENV' => 'prod',
        ] + array_fill_keys(
            ['DATABASE_URL', 'APP_SECRET', 'LANTERN_LOCK_DSN', 'LANTERN_STOREFRONT_URL', 'LANTERN_ADMIN_URL', 'LANTERN_FILES'],
            false,
        ), timeout: null);
        $this->start->start();
        $this->wait(
            fn (): bool => str_contains($this->start->getOutput(), 'Ctrl-C ends it.') || !$this->start->isRunning(),
            120,
            'it starts',
        );
        self::assertTrue($this->start->isRunning(), $this->start->getOutput().$this->start->getErrorOutput());
    }

    protected function tearDown(): void
    {
        $this->start->signal(\SIGTERM);
        $this->wait(fn (): bool => !$this->start->isRunning(), 30, 'it ends');
        $left = new Process(['pgrep', '-af', $this->var]);
        $left->run();
        self::assertSame('', $left->getOutput(), 'nothing of it is left running');
        (new Filesystem())->remove($this->var);
    }

    public function testTheShopGoesOnWithoutItsDatabaseAndWithoutPhp(): void
    {
        foreach (self::KNOWN as $path) {
            self::assertSame(200, $this->ask($path)[0], $path);
        }
        $this->wait(
            fn (): bool => is_file("{$this->var}/cache/addresses/state.json") || 301 !== $this->ask('/marbled-papers')[0],
            20,
            'the node has its table of addresses',
        );

        // Gone at once, and not to be started for a while.
        $postmaster = (int) file_get_contents("{$this->var}/postgres/postmaster.pid");
        posix_kill($postmaster, \SIGKILL);
        rename("{$this->var}/postgres", "{$this->var}/postgres.away");
        for ($second = 0; $second < 6; ++$second) {
            self::assertSame(
                [301, '/papers/marbled'],
                [$this->ask('/marbled-papers')[0], parse_url($this->ask('/marbled-papers')[2], \PHP_URL_PATH)],
                "a redirect after $second seconds",
            );
            foreach (self::KNOWN as $path) {
                [$status, $body] = $this->ask($path);
                self::assertSame(200, $status, "$path after $second seconds");
                self::assertStringContainsString('</html>', $body);
            }
            [$status, $body, , $retry] = $this->ask('/kits/first-kits');
            self::assertSame([503, '2'], [$status, $retry], 'what was never made says when to come again');
            self::assertStringContainsString('Back in a moment', $body);
            $begin = hrtime(true);
            [$status, $body] = $this->ask('/api/session', self::PORT + 1);
            self::assertSame(503, $status, 'management says so, too');
            self::assertStringContainsString('The database does not answer', $body);
            self::assertLessThan(3, (hrtime(true) - $begin) / 1e9);
            sleep(1);
        }

        rename("{$this->var}/postgres.away", "{$this->var}/postgres");
        $this->wait(
            fn (): bool => str_contains((string) @file_get_contents("{$this->var}/log/postgres.log"), 'ready to accept connections')
                && 200 === $this->ask('/kits/first-kits')[0],
            20,
            'all is well again',
        );
        self::assertSame(401, $this->ask('/api/session', self::PORT + 1)[0]);

        // A backend that is killed costs nobody anything.
        foreach (range(1, 3) as $_) {
            exec(\sprintf(
                "pkill -KILL -f 'postgres: lantern lantern 127.0.0.1' -n -P %d",
                (int) file_get_contents("{$this->var}/postgres/postmaster.pid"),
            ));
            foreach (['/kits/calendar-kits?anew=1', '/marbled-papers'] as $path) {
                self::assertContains($this->ask($path)[0], [200, 301, 503], $path);
            }
            usleep(300_000);
        }
        $this->wait(fn (): bool => 200 === $this->ask('/tools?anew=1')[0], 20, 'and again');

        $this->shopGoesOnWhereTheDatabaseOnlyReads();
        $this->shopGoesOnWhereNobodyElseIsLetIn();

        // PHP ends, and is started again; the first answer waits for nothing that has to be made.
        posix_kill((int) file_get_contents("{$this->var}/run/php-fpm.pid"), \SIGKILL);
        exec("pkill -KILL -f '{$this->var}/run/php-fpm.conf'");
        [$status, $body] = $this->ask('/help');
        self::assertContains($status, [200, 503]);
        self::assertStringContainsString('</html>', $body);
        $this->wait(fn (): bool => 301 === $this->ask('/marbled-papers')[0], 20, 'PHP is back');
        self::assertSame(200, $this->ask('/help')[0]);
        self::assertTrue($this->start->isRunning());
    }

    private function shopGoesOnWhereTheDatabaseOnlyReads(): void
    {
        $server = $this->server();
        $server->exec('ALTER SYSTEM SET default_transaction_read_only = on');
        $server->query('SELECT pg_reload_conf()');
        sleep(1);
        foreach (['/tools/folding', '/marbled-papers', ...self::KNOWN] as $path) {
            self::assertContains($this->ask($path)[0], [200, 301], "$path is only read");
        }
        [$status, $body, , $retry] = $this->ask('/sign-in', self::PORT + 1);
        self::assertContains([$status, $retry], [[200, ''], [503, '2']], $body);
        $server->exec('SET default_transaction_read_only = off');
        $server->exec('ALTER SYSTEM RESET default_transaction_read_only');
        $server->query('SELECT pg_reload_conf()');
        $this->wait(fn (): bool => 200 === $this->ask('/sign-in', self::PORT + 1)[0], 10, 'it writes again');
    }

    private function shopGoesOnWhereNobodyElseIsLetIn(): void
    {
        $held = [];
        try {
            while (\count($held) < 200) {
                $held[] = $this->server();
            }
            self::fail('There is no end to connections.');
        } catch (\PDOException) {
            self::assertSame(301, $this->ask('/marbled-papers')[0]);
            foreach (self::KNOWN as $path) {
                self::assertSame(200, $this->ask($path)[0], $path);
            }
            foreach (range(1, 12) as $n) {
                self::assertContains($this->ask("/threads-and-cords?anew=$n")[0], [200, 503]);
                self::assertContains($this->ask('/api/session', self::PORT + 1)[0], [401, 503]);
            }
        }
        $held = [];
        $this->wait(
            fn (): bool => 200 === $this->ask('/threads-and-cords?anew=0')[0] && 401 === $this->ask('/api/session', self::PORT + 1)[0],
            10,
            'they are let in again',
        );
    }

    private function server(): \PDO
    {
        return new \PDO(
            'pgsql:host=127.0.0.1;port='.(self::PORT + 2).';dbname=lantern',
            'lantern',
            trim((string) file_get_contents("{$this->var}/secrets/database")),
            [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION],
        );
    }

    /** @return array{int, string, string, string} status, body, Location, Retry-After */
    private function ask(string $path, int $port = self::PORT): array
    {
        $headers = [];
        $curl = curl_init("http://127.0.0.1:$port$path");
        curl_setopt_array($curl, [
            \CURLOPT_RETURNTRANSFER => true,
            \CURLOPT_TIMEOUT => 20,
            \CURLOPT_HTTPHEADER => ['Accept: application/json, text/html'],
            \CURLOPT_HEADERFUNCTION => static function (\CurlHandle $_, string $line) use (&$headers): int {
                [$name, $value] = explode(':', $line, 2) + ['', ''];
                $headers[strtolower($name)] = trim($value);

                return \strlen($line);
            },
        ]);
        $body = curl_exec($curl);

        return [
            (int) curl_getinfo($curl, \CURLINFO_RESPONSE_CODE),
            \is_string($body) ? $body : '',
            $headers['location'] ?? '',
            $headers['retry-after'] ?? '',
        ];
    }

    /** @param \Closure(): bool $until */
    private function wait(\Closure $until, int $seconds, string $what): void
    {
        for ($end = time() + $seconds; !$until();) {
            self::assertLessThan($end, time(), "$what\n".$this->start->getOutput().$this->start->getErrorOutput());
            usleep(100_000);
        }
        self::addToAssertionCount(1);
    }
}
