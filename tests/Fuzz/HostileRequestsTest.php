<?php

declare(strict_types=1);

namespace Lantern\Tests\Fuzz;

use Lantern\Admin\Http\ApiDescription;
use Lantern\Demo\DemoId;
use Lantern\Kernel;
use Lantern\Tests\Admin\ApiTestCase;
use Lantern\Workbench\Findings\LinkCheck;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\Request;

/**
 * Asks every operation of the API, as its own description has it, with inputs that are right, nearly right
 * and spoiled, as everybody; and the shop with hostile targets. Nothing of it may be answered 5xx, nor keep
 * a process busy so long that its work must grow with the square of what was sent. `LANTERN_FUZZ` says how many requests, `LANTERN_SEED`
 * which.
 */
final class HostileRequestsTest extends ApiTestCase
{
    private const ROLES = ['anonymous', 'viewer', 'editor', 'publisher', 'owner'];
    /** What an input may cost this process, whatever else the machine does meanwhile. No measure of speed: that is for bin/bench. */
    private const MOST_SECONDS_OF_WORK = 15.0;
    private const VERBS = ['get', 'put', 'post', 'delete', 'patch'];

    private Hostile $hostile;

    /** @var array<int, int> how often each hundred of statuses was answered */
    private array $answers = [];

    /** @var array<string, array<string, array<int, int>>> the same of each operation, by role */
    private array $byOperation = [];

    public function testNoRequestIsAnsweredWithAnErrorOfOurOwn(): void
    {
        $requests = self::setting('LANTERN_FUZZ', 1200);
        $seed = self::setting('LANTERN_SEED', 7);
        $document = $this->service(ApiDescription::class)->document();
        /** @var array<string, array<string, mixed>> $schemas */
        $schemas = \is_array($document['components'] ?? null) ? $document['components']['schemas'] ?? [] : [];
        $this->hostile = new Hostile($seed, $schemas, $this->known());
        $operations = $this->operations($document);
        foreach ($operations as [$verb, $path]) {
            $this->byOperation["$verb $path"] = [];
        }
        $each = max(1, intdiv($requests, 40));
        for ($n = 0, $role = ''; $n < $requests; ++$n) {
            if (0 === $n % $each) {
                $role = self::ROLES[intdiv($n, $each) % \count(self::ROLES)];
                $this->become($role);
            }
            if ($this->hostile->chance(20)) {
                $this->askTheShop("$seed/$n");
            } else {
                $this->askTheApi($this->hostile->one($operations), $role, "$seed/$n as $role");
            }
        }
        self::assertGreaterThan($requests / 20, $this->answers[2] ?? 0, 'some of it is right: '.json_encode($this->answers));
        self::assertGreaterThan($requests / 20, $this->answers[4] ?? 0);
        $this->tell($requests);
        // Whatever was taken can be looked at and published, and the shop is there for its visitors.
        $this->become('owner');
        foreach (['/api/frame', '/api/places', '/api/redirects', '/api/waiting', '/api/policies', '/api/details'] as $path) {
            $this->get($path);
            self::assertSame(200, $this->code(), $path);
        }
        $this->send('POST', '/api/releases', ['seen' => $this->at($this->get('/api/waiting'), 'state')]);
        self::assertContains($this->code(), [200, 422], 'published, or told what is not in order');
        self::assertSame(200, $this->shop('/'));
    }

    /** How many of each operation were right, for whoever asked for more than a test does; by then most operations have to be. */
    private function tell(int $requests): void
    {
        $right = array_map(
            static fn (array $roles): int => array_sum(array_map(static fn (array $codes): int => $codes[2] ?? 0, $roles)),
            $this->byOperation,
        );
        $none = array_keys(array_filter($right, static fn (int $times): bool => 0 === $times));
        if ($requests >= 20_000) {
            ksort($this->byOperation);
            foreach ($this->byOperation as $operation => $roles) {
                fwrite(\STDERR, \sprintf("%6d right  %-58s %s\n", $right[$operation], $operation, json_encode($roles)));
            }
            fwrite(
                \STDERR,
                \count($none).' of '.\count($right).' operations were never right: '.implode(', ', $none)."\n".json_encode($this->answers)
                    ."\n",
            );
        }
        self::assertLessThan(\count($right) / ($requests >= 20_000 ? 8 : 2), \count($none), implode(', ', $none));
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('longOnes')]
    public function testWhatIsMadeToTakeLongDoesNot(string $verb, string $path, array $body): void
    {
        $path = str_replace('{place}', DemoId::of('pages/makers'), $path);
        $this->judge(function () use ($verb, $path, $body): array {
            $this->send($verb, $path, $body, '"'.$this->value('SELECT version FROM place WHERE id = ?', DemoId::of('pages/makers')).'"');

            return [$this->code(), ''];
        }, $path);
        self::assertContains($this->code(), [200, 413, 422]);
    }

    /** @return iterable<string, array{string, string, array<string, mixed>}> */
    public static function longOnes(): iterable
    {
        $links = implode(
            '',
            array_map(
                static fn (int $n): string => "<p><a href=\"/papers#part-$n\">Link $n</a> <a href=\"/old-$n\">old</a></p>",
                range(1, 4000),
            ),
        );
        yield '4,000 headings' => ['PUT', '/api/places/{place}/words', ['html' => str_repeat('<h2>Heading</h2>', 4000)]];
        yield '4,000 links' => ['PUT', '/api/places/{place}/words', ['html' => $links]];
        yield '40,000 attributes' => [
            'POST',
            '/api/outlines',
            ['content' => '<opml version="2.0"><body><outline '.implode(
                ' ',
                array_map(static fn (int $n): string => "a$n=\"\"", range(1, 40_000)),
            ).'/></body></opml>'],
        ];
        yield '9,000 elements inside one another' => ['PUT', '/api/places/{place}/words', ['html' => str_repeat('<em>', 9000)]];
        yield 'a line of half a million letters' => ['POST', '/api/outlines', ['content' => str_repeat('Papers ', 70_000)]];
        yield '40,000 fields that nobody knows' => [
            'PATCH',
            '/api/places/{place}',
            array_fill_keys(array_map(static fn (int $n): string => "a$n", range(1, 40_000)), 1),
        ];
        yield '59,000 items in place of an object' => ['PATCH', '/api/places/{place}', ['listing' => array_fill(0, 59_000, 'x')]];
        yield '150,000 items in place of an object' => ['PATCH', '/api/places/{place}', ['opening' => array_fill(0, 150_000, 'x')]];
        yield '6,000 wishes that are none' => ['POST', '/api/addresses/plan', ['wishes' => array_fill(0, 6000, 'x')]];
        yield '1,000 addresses that go round' => ['POST', '/api/answers', ['addresses' => array_fill(0, 1000, '/'.str_repeat('a/', 500))]];
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return non-empty-list<array{string, string, array<string, mixed>}> verb, path, operation
     */
    private function operations(array $document): array
    {
        $operations = [];
        foreach (\is_array($document['paths'] ?? null) ? $document['paths'] : [] as $path => $verbs) {
            foreach (self::VERBS as $verb) {
                if (\is_array($verbs) && \is_array($verbs[$verb] ?? null)) {
                    /** @var array<string, mixed> $operation */
                    $operation = $verbs[$verb];
                    $operations[] = [$verb, (string) $path, $operation];
                }
            }
        }
        self::assertGreaterThan(40, \count($operations), 'the description has every operation');

        return [] === $operations ? throw new \LogicException('The API has no operations.') : $operations;
    }

    /** @return array<string, list<string>> */
    private function known(): array
    {
        $known = [];
        self::assertTrue($this->service(LinkCheck::class)->catchUp());
        foreach ([
            'place' => 'SELECT id FROM place ORDER BY kind, id',
            'menu' => 'SELECT id FROM menu ORDER BY id',
            'entry' => 'SELECT id FROM entry ORDER BY id',
            'redirect' => 'SELECT id FROM redirect ORDER BY id',
            'finding' => "SELECT id FROM journal.finding WHERE copy = 'workbench' ORDER BY id",
        ] as $of => $sql) {
            $known[$of] = array_values(array_filter($this->workbench()->fetchFirstColumn($sql), \is_string(...)));
        }
        $ids = static fn (string $of): array => array_map(
            static fn (int $n): string => \sprintf('019344a0-%s-7000-8000-%012x', $of, $n),
            range(1, 9),
        );
        $known += [
            'person' => $ids('9000'),
            'invitation' => $ids('9100'),
            'job' => $ids('9200'),
            'picture' => [str_repeat('a', 64).'.png'],
            'letter' => ['1', '2', '3'],
        ];

        return $known;
    }

    /**
     * Colleagues, jobs, invitations and letters that gave up, so that there is something to be done with them, whatever was done before.
     */
    private function become(string $role): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO journal.person (id, name, mail, password, role)
                SELECT CAST('019344a0-9000-7000-8000-' || lpad(to_hex(n), 12, '0') AS uuid), 'Colleague ' || n, 'colleague' || n ||
                '@example.org', 'x', 'viewer' FROM generate_series(1, 9) n
                ON CONFLICT (id) DO UPDATE SET left_at = NULL, factor = '', role = excluded.role;
            UPDATE journal.person SET left_at = NULL, factor = '' WHERE mail LIKE '%@tansyandrook.example';
            INSERT INTO journal.invitation (id, mail, name, role, token_hash, invited_by, at, until)
                SELECT CAST('019344a0-9100-7000-8000-' || lpad(to_hex(n), 12, '0') AS uuid), 'new' || n || '@example.org', 'New ' || n,
                'viewer', md5(n::text), 'Imke', now(), now() + interval '3 days' FROM generate_series(1, 9) n ON CONFLICT DO NOTHING;
            INSERT INTO journal.job (id, kind, person_id, person, input, state, ended_at)
                SELECT CAST('019344a0-9200-7000-8000-' || lpad(to_hex(n), 12, '0') AS uuid), 'publish', (SELECT id FROM journal.person
                WHERE role = 'owner' LIMIT 1), 'Imke', '{}', 'done', now() FROM generate_series(1, 9) n ON CONFLICT DO NOTHING
            SQL);
        $this->signIn('anonymous' === $role ? 'viewer' : $role);
        if ('anonymous' === $role) {
            $this->browser->getCookieJar()->clear();
        }
    }

    /** @param array{string, string, array<string, mixed>} $operation */
    private function askTheApi(array $operation, string $role, string $which): void
    {
        [$verb, $path, $said] = $operation;
        $of = "$verb $path";
        $hostile = $this->hostile;
        // What a limit holds back says nothing about the rest.
        $hostile->chance(95) || $this->workbench()->executeStatement('DELETE FROM journal.cache_items');
        $isWellMeant = $hostile->chance(35);
        $query = [];
        $headers = [
            'HTTP_X_CSRF_TOKEN' => $isWellMeant || $hostile->chance(96) ? $this->csrf : 'guessed',
            'CONTENT_TYPE' => $isWellMeant || $hostile->chance(96)
                ? 'application/json'
                : $hostile->one([
                    'text/plain',
                    '',
                    'application/x-www-form-urlencoded',
                    'multipart/form-data; boundary=x',
                    "application/json; charset=\xff",
                ]),
        ];
        foreach (\is_array($said['parameters'] ?? null) ? $said['parameters'] : [] as $parameter) {
            if (!\is_array($parameter) || !\is_string($parameter['name'] ?? null)) {
                continue;
            }
            $name = $parameter['name'];
            $value = $hostile->value($parameter['schema'] ?? [], 0, $name);
            $text = \is_scalar($value) ? (string) $value : '';
            if ('path' === $parameter['in']) {
                $id = match (true) {
                    'entry' === $name => $hostile->id('entry'),
                    'name' === $name => $hostile->id('picture'),
                    'number' === $name && str_contains($of, 'letters') => $hostile->id('letter'),
                    'id' === $name => $this->latest(self::kindOf($of)) ?? $hostile->id(self::kindOf($of)),
                    default => $text,
                };
                $version = 'id' === $name ? $this->versionOf($id) : null;
                $path = str_replace("{{$name}}", rawurlencode(!$isWellMeant && $hostile->chance(10) ? $hostile->badText() : $id), $path);
            } elseif ('header' === $parameter['in']) {
                $headers['HTTP_IF_MATCH'] = $isWellMeant || $hostile->chance(25)
                    ? '"'.($version ?? 1).'"'
                    : ($hostile->chance(75) ? '"'.$hostile->random->getInt(1, 3).'"' : $hostile->one([
                        '',
                        '1',
                        '"2147483648"',
                        '"99999999999999999999"',
                        '*',
                        'W/"1"',
                        "\"1\"\xff",
                        '"-1"',
                    ]));
            } elseif ($hostile->chance(50)) {
                $query[$name] = !$isWellMeant && $hostile->chance(30)
                    ? (\is_scalar($bad = $hostile->bad()) ? (string) $bad : ['x', ''])
                    : $text;
            }
        }
        if (!$isWellMeant && $hostile->chance(6)) {
            $path = $hostile->one([
                '/%61pi'.substr($path, 4),
                '/api%2F'.substr($path, 5),
                '//api'.substr($path, 4),
                '/./api'.substr($path, 4),
                '/admin.php'.$path,
                "$path/",
                "$path%0a",
                strtoupper($path),
                "$path%ff",
            ]);
        }
        $target = $path.([] === $query ? '' : '?'.http_build_query($query)).(!$isWellMeant && $hostile->chance(3) ? '&x=%ff' : '');
        $schema = \is_array($said['requestBody'] ?? null) && \is_array($said['requestBody']['content'] ?? null)
            ? $said['requestBody']['content']
            : [];
        $files = [];
        $body = '';
        if (isset($schema['multipart/form-data'])) {
            $files = ['file' => $this->upload()];
            $headers['CONTENT_TYPE'] = 'multipart/form-data; boundary=x';
        } elseif (\is_array($schema['application/json'] ?? null)) {
            $value = $hostile->value($schema['application/json']['schema'] ?? []);
            $meant = $isWellMeant ? $this->meant($of) : null;
            if (null !== $meant) {
                [$value, $version] = $meant;
                $headers = (null === $version ? [] : ['HTTP_IF_MATCH' => $version]) + $headers;
            }
            $value = !$isWellMeant && $hostile->chance(75) ? $hostile->spoiled($value) : $value;
            $body = (string) json_encode($value, \JSON_INVALID_UTF8_SUBSTITUTE | \JSON_PARTIAL_OUTPUT_ON_ERROR);
            $body = !$isWellMeant && $hostile->chance(4)
                ? $hostile->one([
                    '',
                    '{',
                    '[]',
                    'null',
                    '"x"',
                    '5',
                    "{\"a\":\"\xff\"}",
                    '{"a":"\u0000"}',
                    str_repeat('[', 100),
                    str_repeat('{"a":', 100),
                    '{"a":'.str_repeat('1', 400).'}',
                ])
                : $body;
        }
        $this->judge(function () use ($verb, $target, $files, $headers, $body): array {
            // What a streamed answer says is caught, not printed.
            ob_start();
            try {
                $this->browser->request(strtoupper($verb), $target, files: $files, server: $headers, content: $body);
            } finally {
                ob_end_clean();
            }

            return [$this->code(), (string) $this->browser->getResponse()->getContent()];
        }, "$which: ".strtoupper($verb)." $target ".substr($body, 0, 300));
        $hundred = intdiv($this->code(), 100);
        $this->byOperation[$of][$role][$hundred] = ($this->byOperation[$of][$role][$hundred] ?? 0) + 1;
    }

    /**
     * What somebody would ask an operation for that wants things which belong together.
     *
     * @return array{array<string, mixed>, string|null}|null a body, with the version that it is for where there is one
     */
    private function meant(string $operation): ?array
    {
        $one = fn (string $sql): string => $this->value($sql);
        $version = function (string $path): string {
            $this->get($path);

            return (string) $this->header('ETag');
        };
        $redirects = array_values(array_filter([$one('SELECT id FROM redirect ORDER BY random() LIMIT 1')]));
        $guide = "kind = 'page' ORDER BY random() LIMIT 1";

        return match ($operation) {
            'post /api/releases' => [['seen' => $this->waiting()], null],
            'post /api/redirects/many' => [['ids' => $redirects, 'status' => '302'], null],
            'post /api/redirects/removal' => [['ids' => $redirects], null],
            'post /api/addresses' => [['wishes' => [[
                'place' => $place = $one("SELECT id FROM place WHERE $guide"),
                'seen' => $this->value('SELECT address FROM place WHERE id = ?', $place),
                'to' => '/moved-'.$this->hostile->random->getInt(1, 9999),
            ]]], null],
            'put /api/house-rules' => [['requiresFactor' => false, 'auditDays' => 365], null],
            'patch /api/details' => [['tagline' => 'Paper and thread'], $version('/api/details')],
            'put /api/filters' => [['filters' => ['maker', 'price'], 'of' => 'everywhere'], $version('/api/filters')],
            'patch /api/filters/words' => [['filter' => 'maker', 'label' => 'Made by'], $version('/api/filters')],
            'put /api/search/words' => [
                ['words' => 'glue', 'placeId' => $one("SELECT id FROM place WHERE $guide")],
                $version('/api/search'),
            ],
            default => null,
        };
    }

    /** The state of what waits; empty for whoever may not see it. */
    private function waiting(): string
    {
        $waiting = $this->get('/api/waiting');

        return \is_array($waiting) && \is_string($waiting['state'] ?? null) ? $waiting['state'] : '';
    }

    /** Of what an operation wants the id. */
    private static function kindOf(string $operation): string
    {
        foreach ([
            'menus' => 'menu',
            'redirects' => 'redirect',
            'within' => 'menu',
            'findings' => 'finding',
            'jobs' => 'job',
            'invitations' => 'invitation',
            'sessions' => 'session',
            'people' => 'person',
            'edits' => 'edit',
            '/outside-mentions/' => 'mention',
        ] as $word => $kind) {
            if (str_contains($operation, $word) && !('sessions' === $word && str_contains($operation, 'people'))) {
                return $kind;
            }
        }

        return 'place';
    }

    /** Of what comes and goes while this asks: one that is there now. */
    private function latest(string $kind): ?string
    {
        $sql = [
            'edit' => 'SELECT id FROM journal.edit WHERE NOT undone ORDER BY made_at DESC, id LIMIT 1',
            'session' => 'SELECT id FROM journal.own_session ORDER BY begun_at, id LIMIT 1',
            'mention' => 'SELECT id FROM outside_mention ORDER BY id LIMIT 1',
        ][$kind] ?? null;
        $id = null === $sql || !$this->hostile->chance(90) ? null : $this->workbench()->fetchOne($sql);

        return \is_string($id) ? $id : null;
    }

    private function versionOf(string $id): ?string
    {
        $version = $this->workbench()->fetchOne(<<<'SQL'
            SELECT version FROM place WHERE id = :id UNION ALL SELECT version FROM menu WHERE id = :id UNION ALL SELECT version
            FROM redirect WHERE id = :id LIMIT 1
            SQL, ['id' => preg_match('/^[0-9a-f-]{36}$/D', $id) ? $id : null]);

        return \is_scalar($version) ? (string) $version : null;
    }

    private function askTheShop(string $which): void
    {
        $hostile = $this->hostile;
        $path = $hostile->one([
            '/',
            '/papers',
            '/papers/marbled',
            '/search',
            '/products',
            '/old-1',
            '/sitemap.xml',
            '/navigation.json',
            '/robots.txt',
            '/sign-in',
            '/-/preview/x.y/',
            '/-/pictures/uploads/'.str_repeat('a', 64).'.png',
            '/files/paper-grain-chart',
        ]);
        $target = match ($hostile->random->getInt(0, 4)) {
            0 => '/'.$hostile->badText(),
            1 => $path.'?'.$hostile->one(['q', 'after', 'tag', 'price-from', 'option', 'choice', 'q[]', 'in-stock', 'x']).'='
                .$hostile->one([rawurlencode($hostile->badText()), '%ff', '%00', '%', str_repeat('9', 400)]),
            2 => $path
                .$hostile->one(['%00', '%2f..', '/../..', '//', '/./', '%ff', '%c0%af', '%5c', ';x', "\xff", '%e2%80%ae', '*', '?', '#x']),
            3 => rawurlencode($path),
            default => $path,
        };
        $method = $hostile->one(['GET', 'GET', 'GET', 'HEAD', 'POST', 'OPTIONS', 'PUT', 'DELETE']);
        $this->judge(fn (): array => [$this->shop($target, $method), ''], "$which: the shop, $target");
    }

    private function shop(string $target, string $method = 'GET'): int
    {
        $request = Request::create(
            '/',
            $method,
            server: [
                'REQUEST_URI' => $target,
                'QUERY_STRING' => explode('?', $target, 2)[1] ?? '',
                'REMOTE_ADDR' => '127.0.0.'.$this->hostile->random->getInt(1, 250),
            ],
        );
        parse_str(explode('?', $target, 2)[1] ?? '', $query);
        foreach ($query as $name => $value) {
            $request->query->set((string) $name, $value);
        }
        $kernel = new Kernel('test', false, 'storefront');
        $response = $kernel->handle($request);
        $kernel->terminate($request, $response);
        $kernel->shutdown();

        return $response->getStatusCode();
    }

    private function upload(): UploadedFile
    {
        $content = $this->hostile->one([
            '',
            "\x89PNG\r\n\x1a\n",
            'source,target\n/fuzz,/papers',
            "source,target\r\n/a,/b\r\n/b,/a\r\n",
            "\xff\xfe",
            "%PDF-1.4\n",
            '<?php echo 1;',
            str_repeat("a,b\n", 500),
            "source;target\n=cmd;/x",
            "\0\0\0",
        ]);
        $path = (string) tempnam(sys_get_temp_dir(), 'fuzz');
        file_put_contents($path, $content);

        return new UploadedFile(
            $path,
            $this->hostile->one([
                'a.csv',
                'a.png',
                'a.pdf',
                '../../x.csv',
                "a\0.png",
                '.csv',
                str_repeat('n', 300).'.txt',
                'ä.csv',
                'a.php',
                "a\n.csv",
                "\xff.csv",
            ]),
            null,
            null,
            true,
        );
    }

    /** @param \Closure(): array{int, string} $ask answers the status and the content */
    private function judge(\Closure $ask, string $asked): void
    {
        $begin = self::secondsOfWork();
        [$code, $content] = $ask();
        self::assertLessThan(500, $code, "$asked\n".substr($content, 0, 600));
        self::assertLessThan(self::MOST_SECONDS_OF_WORK, self::secondsOfWork() - $begin, $asked);
        $this->answers[intdiv($code, 100)] = ($this->answers[intdiv($code, 100)] ?? 0) + 1;
    }

    /** What the processor has spent on this process; waiting for others does not count. */
    private static function secondsOfWork(): float
    {
        $usage = getrusage();
        self::assertIsArray($usage);

        return $usage['ru_utime.tv_sec'] + $usage['ru_utime.tv_usec'] / 1e6;
    }

    private static function setting(string $name, int $otherwise): int
    {
        $value = getenv($name);

        return \is_string($value) && ctype_digit($value) ? (int) $value : $otherwise;
    }
}
