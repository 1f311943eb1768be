<?php

declare(strict_types=1);

namespace Lantern\Tests\Interchange\Csv;

use Lantern\Core\Release\CopyName;
use Lantern\Interchange\Csv\RedirectExport;
use Lantern\Reading\Answers\StraightRedirects;
use Lantern\Tests\ShopTestCase;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;

/** The map for nginx, in a real nginx that is set up as its head says. */
final class RedirectExportTest extends ShopTestCase
{
    private const PORT = 8207;
    private string $folder;
    private ?Process $nginx = null;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/lantern-map-'.bin2hex(random_bytes(4));
        (new Filesystem())->mkdir("$this->folder/tmp");
    }

    protected function tearDown(): void
    {
        $this->nginx?->stop(2);
        (new Filesystem())->remove($this->folder);
        parent::tearDown();
    }

    public function testNginxAnswersAsTheShopDoes(): void
    {
        $exact = [
            '/one/café ü',
            '/one/a$b',
            '/one/{x}',
            '/one/a*b',
            '/one/a\\b',
            '/one/~tilde',
            '/one/'.str_repeat('long-', 60),
            '/one/plus+and&more',
        ];
        foreach ($exact as $source) {
            $this->workbench()->executeStatement(<<<'SQL'
                INSERT INTO redirect (id, source, goal_address, goal_query, status) VALUES (gen_random_uuid(), ?, '/papers', ?, 301)
                SQL, [
                \Lantern\Core\Address\Address::parse(implode('/', array_map(rawurlencode(...), explode('/', $source))))->path,
                '/one/a*b' === $source ? 'maker=Hollin+Mill' : '',
            ]);
        }
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO redirect (id, source, is_prefix, goal_address, status)
            VALUES (gen_random_uuid(), '/weblog', true, '/journal', 301), (gen_random_uuid(), '/weblog/deep', true, '/papers', 301)
            SQL);
        $map = implode(
            '',
            iterator_to_array(RedirectExport::write('nginx', $this->service(StraightRedirects::class)->all(CopyName::Workbench)), false),
        );
        $this->serve($map);
        foreach ($exact as $source) {
            $target = implode('/', array_map(rawurlencode(...), explode('/', $source)));
            foreach (['', '?utm=1'] as $query) {
                $expected = '/papers'.('/one/a*b' === $source ? '?maker=Hollin+Mill'.('' === $query ? '' : '&utm=1') : $query);
                // A browser leaves some of it as it is: what the shop itself writes is what it asks for.
                $asked = \Lantern\Core\Address\Address::parse($target)->encoded();
                self::assertSame([301, $expected], $this->ask($asked.$query), $asked.$query);
            }
        }
        self::assertSame([301, '/papers/marbled'], $this->ask('/paper-marbling'), 'a chain is one hop');
        self::assertSame([301, '/journal/x/y%20z'], $this->ask('/weblog/x/y%20z'));
        self::assertSame([301, '/papers/x'], $this->ask('/weblog/deep/x'), 'the longest first');
        self::assertSame([301, '/journal/x%0dX-Evil:1'], $this->ask('/weblog/x%0dX-Evil:1'), 'nothing is decoded into a header');
        self::assertSame(404, $this->ask('/papers')[0]);
    }

    private function serve(string $map): void
    {
        $port = self::PORT;
        $head = implode(
            "\n",
            array_map(
                static fn (string $line): string => (string) preg_replace('/^#\s+/', '', $line),
                array_filter(explode("\n", $map), static fn (string $line): bool => 1 === preg_match('/^#\s+map(_| )/', $line)),
            ),
        );
        file_put_contents("$this->folder/redirects.map", $map);
        $head = str_replace('this-file', "$this->folder/redirects.map", $head);
        file_put_contents("$this->folder/nginx.conf", <<<NGINX
            daemon off; pid $this->folder/pid; error_log $this->folder/error.log;
            events {}
            http {
                access_log off; client_body_temp_path $this->folder/tmp; proxy_temp_path $this->folder/tmp; fastcgi_temp_path $this->folder/tmp; uwsgi_temp_path $this->folder/tmp; scgi_temp_path $this->folder/tmp;
                $head
                server { listen 127.0.0.1:$port; merge_slashes off; absolute_redirect off; if (\$moved) { return 301 \$moved\$and\$args; } location / { return 404; } }
            }
            NGINX);
        $test = new Process(['nginx', '-t', '-c', "$this->folder/nginx.conf", '-e', "$this->folder/error.log"]);
        $test->run();
        self::assertTrue($test->isSuccessful(), $test->getErrorOutput());
        self::assertStringNotContainsString('[warn]', str_replace('[warn] the "user"', '', $test->getErrorOutput()));
        $this->nginx = new Process(['nginx', '-c', "$this->folder/nginx.conf", '-e', "$this->folder/error.log"]);
        $this->nginx->start();
        for ($try = 0; $try < 100 && false === @fsockopen('127.0.0.1', self::PORT, timeout: 0.1); ++$try) {
            usleep(20_000);
        }
    }

    /** @return array{int, string} */
    private function ask(string $target): array
    {
        $connection = fsockopen('127.0.0.1', self::PORT);
        self::assertNotFalse($connection);
        fwrite($connection, "GET $target HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n");
        $answer = (string) stream_get_contents($connection);
        fclose($connection);
        preg_match('~^HTTP/1.1 (\d{3})~', $answer, $status);
        preg_match('~^Location: ([^\r\n]*)~mi', $answer, $location);

        return [(int) ($status[1] ?? 0), $location[1] ?? ''];
    }
}
