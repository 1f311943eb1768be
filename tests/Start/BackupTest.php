<?php

declare(strict_types=1);

namespace Lantern\Tests\Start;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;

/** bin/backup and bin/restore from end to end, on databases of their own beside that of the tests. */
final class BackupTest extends TestCase
{
    private string $folder = '';
    private string $url = '';

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/lantern-backup-'.bin2hex(random_bytes(4));
        (new Filesystem())->mkdir("$this->folder/files/uploads");
        $url = $_SERVER['LANTERN_OWNER_DATABASE_URL'] ?? '';
        self::assertIsString($url);
        $this->url = \dirname($url);
    }

    protected function tearDown(): void
    {
        foreach ($this->psql('postgres', "SELECT datname FROM pg_database WHERE datname LIKE 'lantern_trial%'") as $name) {
            $this->psql('postgres', "DROP DATABASE \"$name\" WITH (FORCE)");
        }
        (new Filesystem())->remove($this->folder);
    }

    public function testAShopIsBackedUpWhilePeopleEditAndComesBackWhole(): void
    {
        $this->trial('lantern_trial_a');
        // Two numbers whose sum stays, and uploads with the row that speaks of each: whatever the moment, both have to be right.
        $this->psql('lantern_trial_a', <<<'SQL'
            CREATE TABLE public.pair (id int PRIMARY KEY, n int NOT NULL)
            SQL, 'INSERT INTO public.pair VALUES (1, 0), (2, 0)', 'CREATE TABLE public.upload (stored text)');
        $editor = new Process(['bash', '-c', <<<'BASH'
            for n in $(seq 400); do
              printf '%s' "$n" > "$FILES/uploads/$n.txt"
              printf "BEGIN; UPDATE public.pair SET n = n - %d WHERE id = 1; UPDATE public.pair SET n = n + %d WHERE id = 2; INSERT INTO public.upload VALUES ('uploads/%d.txt'); COMMIT;\n" "$n" "$n" "$n"
              # What nobody speaks of any more goes.
              if [ "$n" -gt 50 ]; then printf "DELETE FROM public.upload WHERE stored = 'uploads/%d.txt';\n\\! rm -f %s/uploads/%d.txt\n" $((n - 50)) "$FILES" $((n - 50)); fi
            done | psql -qX "$URL"
            BASH], null, ['URL' => "$this->url/lantern_trial_a", 'FILES' => "$this->folder/files"]);
        $editor->setTimeout(120);
        $editor->start();
        $deadline = microtime(true) + 30;
        while ('0' === ($this->psql('lantern_trial_a', 'SELECT count(*) FROM public.upload')[0] ?? '0') && microtime(true) < $deadline) {
            usleep(20_000);
        }
        $said = $this->does('backup', 'lantern_trial_a', "$this->folder/shop.tar.gz");
        self::assertStringContainsString('holds the shop', $said);
        $editor->stop(0, \SIGKILL);
        self::assertSame('0600', substr(\sprintf('%o', (int) fileperms("$this->folder/shop.tar.gz")), -4));

        $this->does('restore', 'lantern_trial_b', "$this->folder/shop.tar.gz", files: "$this->folder/files-b");
        self::assertSame(['0'], $this->psql('lantern_trial_b', 'SELECT sum(n) FROM public.pair'));
        $uploads = $this->psql('lantern_trial_b', 'SELECT stored FROM public.upload');
        self::assertNotSame([], $uploads);
        foreach ($uploads as $stored) {
            self::assertFileExists("$this->folder/files-b/$stored");
        }
        $count = "SELECT count(*) || ' ' || COALESCE(sum(length(title)), 0) FROM workbench.place";
        self::assertSame($this->psql('lantern_trial_a', $count), $this->psql('lantern_trial_b', $count));
        self::assertSame(['1'], $this->psql('lantern_trial_b', <<<'SQL'
            SELECT has_table_privilege('lantern_shop', 'live.place', 'SELECT')
            AND NOT has_table_privilege('lantern_shop', 'workbench.place', 'UPDATE')
            SQL), 'the servers may again what they may');
    }

    public function testAShopInUseIsReplacedOnlyWhenThatIsSaidAndWhatWasThereIsKept(): void
    {
        $this->trial('lantern_trial_a');
        file_put_contents("$this->folder/files/uploads/old.txt", 'old');
        $this->does('backup', 'lantern_trial_a', "$this->folder/shop.tar.gz");
        $this->psql('lantern_trial_a', "UPDATE workbench.place SET title = 'Edited since' WHERE address = '/papers'");
        file_put_contents("$this->folder/files/uploads/new.txt", 'new');
        $held = new \PDO($this->dsn('lantern_trial_a'));
        $refused = $this->does('restore', 'lantern_trial_a', "$this->folder/shop.tar.gz", ok: false);
        self::assertStringContainsString('A shop is there already, and is used by', $refused);
        self::assertStringContainsString('--over', $refused);
        self::assertSame(['Edited since'], $this->psql('lantern_trial_a', "SELECT title FROM workbench.place WHERE address = '/papers'"));

        $said = $this->does('restore', 'lantern_trial_a', "$this->folder/shop.tar.gz", '--over');
        self::assertSame(['Papers'], $this->psql('lantern_trial_a', "SELECT title FROM workbench.place WHERE address = '/papers'"));
        self::assertFileDoesNotExist("$this->folder/files/uploads/new.txt");
        self::assertFileExists("$this->folder/files/uploads/old.txt");
        self::assertSame(1, preg_match('/the database (lantern_trial_a_before_\d+)/', $said, $found), $said);
        self::assertSame(['Edited since'], $this->psql($found[1], "SELECT title FROM workbench.place WHERE address = '/papers'"));
        self::assertNotSame([], glob("$this->folder/files.before-*/uploads/new.txt"));
        unset($held);
    }

    public function testWhatIsNoWholeBackupOfThisProgramChangesNothing(): void
    {
        $this->trial('lantern_trial_a');
        $good = "$this->folder/shop.tar.gz";
        $this->does('backup', 'lantern_trial_a', $good);
        self::assertStringContainsString('is there already', $this->does('backup', 'lantern_trial_a', $good, ok: false));
        $half = "$this->folder/half.tar.gz";
        file_put_contents($half, substr((string) file_get_contents($good), 0, (int) (filesize($good) / 2)));
        $none = "$this->folder/none.tar.gz";
        file_put_contents($none, 'no backup');
        $spoiled = $this->changed(
            $good,
            'spoiled',
            static fn (string $folder) => file_put_contents("$folder/database.dump", 'x', \FILE_APPEND),
        );
        $newer = $this->changed(
            $good,
            'newer',
            static fn (string $folder) => file_put_contents(
                "$folder/manifest.json",
                (string) preg_replace('/Version\d+/', 'Version20991231000000', (string) file_get_contents("$folder/manifest.json")),
            ),
        );
        // Nginx follows a link: none may come in, nor a file that nobody wrote down.
        $linked = $this->changed($good, 'linked', static fn (string $folder) => symlink('/etc/hostname', "$folder/files/link.svg"));
        $more = $this->changed($good, 'more', static fn (string $folder) => file_put_contents("$folder/files/more.txt", 'x'));
        $setuid = $this->changed($good, 'setuid', static function (string $folder): void {
            chmod("$folder/database.dump", 0o4755);
        });
        self::assertNotSame('', $setuid);
        foreach ([
            $linked => 'holds links',
            $more => 'not in its list',
            $half => 'is not whole',
            $none => 'is not whole',
            $spoiled => 'is damaged',
            $newer => 'newer version',
            "$this->folder/nowhere" => 'cannot be read',
        ] as $file => $words) {
            $said = $this->does('restore', 'lantern_trial_a', $file, '--over', ok: false);
            self::assertStringContainsString($words, $said);
            self::assertStringContainsString("$this->folder/nowhere" === $file ? '' : 'othing was changed', $said);
        }
        self::assertSame(['Papers'], $this->psql('lantern_trial_a', "SELECT title FROM workbench.place WHERE address = '/papers'"));
        self::assertSame(['lantern_trial_a'], $this->psql('postgres', <<<'SQL'
            SELECT datname FROM pg_database WHERE datname LIKE 'lantern_trial%'
            SQL), 'and leaves nothing behind');
        self::assertSame([], glob("$this->folder/.restore-*"));
    }

    /** While it is written it is nobody else's; and no password stands where everybody sees it. */
    public function testABackupIsReadByNobodyElseFromItsFirstByteOn(): void
    {
        $this->trial('lantern_trial_a');
        file_put_contents("$this->folder/files/uploads/large.bin", random_bytes(40_000_000));
        $backup = new Process(
            ['bin/backup', "$this->folder/shop.tar.gz"],
            \dirname(__DIR__, 2),
            [
                'DATABASE_URL' => "$this->url/lantern_trial_a",
                'LANTERN_OWNER_DATABASE_URL' => "$this->url/lantern_trial_a",
                'LANTERN_FILES' => "$this->folder/files",
                'LANTERN_VAR' => "$this->folder/var",
            ],
        );
        $backup->setTimeout(120)->start();
        $password = rawurldecode((string) parse_url($this->url, \PHP_URL_PASS));
        self::assertNotSame('', $password);
        $modes = [];
        $looks = 0;
        while ($backup->isRunning()) {
            clearstatcache();
            foreach (glob("$this->folder/{shop.tar.gz.part,.backup-*}", \GLOB_BRACE) ?: [] as $part) {
                $modes[\sprintf('%o', @fileperms($part) & 0o077)] = true;
            }
            foreach (glob('/proc/[0-9]*/cmdline') ?: [] as $line) {
                self::assertStringNotContainsString($password, (string) @file_get_contents($line));
            }
            ++$looks;
        }
        self::assertTrue($backup->isSuccessful(), $backup->getErrorOutput());
        self::assertGreaterThan(3, $looks);
        self::assertSame(['0'], array_map(strval(...), array_keys($modes)));
    }

    /** A shop like that of the tests. */
    private function trial(string $name): void
    {
        $source = basename((string) parse_url(
            (string) (\is_string($_SERVER['LANTERN_OWNER_DATABASE_URL']) ? $_SERVER['LANTERN_OWNER_DATABASE_URL'] : ''),
            \PHP_URL_PATH,
        ));
        $this->psql('postgres', "CREATE DATABASE $name");
        $copy = new Process(
            [
                'bash',
                '-c',
                'set -o pipefail; pg_dump -Fc --no-owner --no-privileges "$FROM" | pg_restore --no-owner --exit-on-error -d "$TO"',
            ],
            null,
            ['FROM' => "$this->url/$source", 'TO' => "$this->url/$name"],
        );
        $copy->setTimeout(120)->mustRun();
    }

    /** @param \Closure(string): mixed $change */
    private function changed(string $file, string $name, \Closure $change): string
    {
        $folder = "$this->folder/$name";
        mkdir($folder);
        (new Process(['tar', '-C', $folder, '-xzf', $file]))->mustRun();
        $change($folder);
        (new Process(['bash', '-c', 'tar -C "$1" -czf "$1.tar.gz" $(ls "$1")', 'tar', $folder]))->mustRun();

        return "$folder.tar.gz";
    }

    private function does(string $what, string $database, string $file, string $more = '', bool $ok = true, string $files = ''): string
    {
        $process = new Process(array_filter([\dirname(__DIR__, 2)."/bin/$what", $file, $more]), null, [
            'LANTERN_OWNER_DATABASE_URL' => "$this->url/$database",
            'DATABASE_URL' => "$this->url/$database",
            'LANTERN_FILES' => '' === $files ? "$this->folder/files" : $files,
            'LANTERN_VAR' => "$this->folder/var",
            'APP_ENV' => 'prod',
        ]);
        $process->setTimeout(180);
        $process->run();
        $said = $process->getOutput().$process->getErrorOutput();
        self::assertSame($ok, $process->isSuccessful(), $said);

        return $said;
    }

    /** @return list<string> */
    private function psql(string $database, string ...$statements): array
    {
        $rows = [];
        $connection = new \PDO($this->dsn($database), options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
        foreach ($statements as $sql) {
            $query = $connection->query($sql);
            $rows = false === $query || 0 === $query->columnCount() ? [] : array_map(strval(...), $query->fetchAll(\PDO::FETCH_COLUMN));
        }

        return array_values($rows);
    }

    private function dsn(string $database): string
    {
        $parts = parse_url("$this->url/$database");
        self::assertIsArray($parts);

        return \sprintf(
            'pgsql:host=%s;port=%d;dbname=%s;user=%s;password=%s',
            $parts['host'] ?? '',
            $parts['port'] ?? 5432,
            $database,
            $parts['user'] ?? '',
            $parts['pass'] ?? '',
        );
    }
}
