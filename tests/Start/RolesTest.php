<?php

declare(strict_types=1);

namespace Lantern\Tests\Start;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What the roles of the servers may in the database, tried on the real one. Nothing of it is kept. */
final class RolesTest extends TestCase
{
    private const DENIED = '42501';

    /** @return iterable<string, array{string, string}> */
    public static function denied(): iterable
    {
        foreach (['workbench', 'live'] as $copy) {
            foreach ([
                "INSERT INTO $copy.setting VALUES ('x', '\"x\"')",
                "UPDATE $copy.place SET title = 'x'",
                "DELETE FROM $copy.redirect",
                "TRUNCATE $copy.entry",
            ] as $sql) {
                yield "the shop: $sql" => ['LANTERN_SHOP_DATABASE_URL', $sql];
            }
        }
        foreach ([
            'person',
            'own_session',
            'session',
            'invitation',
            'password_link',
            'recovery_code',
            'audit',
            'mail',
            'house_rule',
            'edit',
            'message',
            'attempt',
            'letter_sent',
        ] as $table) {
            yield "the shop reads $table" => ['LANTERN_SHOP_DATABASE_URL', "SELECT * FROM journal.$table"];
        }
        foreach ([<<<'SQL'
            INSERT INTO journal.release (id, number, released_at, released_by, summary) VALUES (gen_random_uuid(), 99, now(), '', '')
            SQL, 'DELETE FROM catalogue.product', 'SELECT journal.forget_audit()', 'CREATE TABLE public.x (x int)', 'CREATE ROLE x'] as $sql) {
            yield "the shop: $sql" => ['LANTERN_SHOP_DATABASE_URL', $sql];
        }
        foreach ([
            "UPDATE journal.audit SET person = 'x'",
            'DELETE FROM journal.audit',
            'TRUNCATE journal.audit',
            'ALTER TABLE journal.audit DISABLE TRIGGER ALL',
            'DROP TABLE journal.audit',
            'DROP TRIGGER kept ON journal.audit',
            "INSERT INTO journal.audit (person, what, about) VALUES ('', 'tried', '{}')",
            "SELECT set_config('lantern.retention', 'ends', true); DELETE FROM journal.audit",
            "SET session_replication_role = 'replica'",
            'ALTER TABLE workbench.place ADD x int',
            'CREATE ROLE x',
        ] as $sql) {
            yield "the management: $sql" => ['LANTERN_ADMIN_DATABASE_URL', $sql];
        }
        foreach (["UPDATE journal.audit SET person = 'x'", 'DELETE FROM journal.audit', <<<'SQL'
            SELECT set_config('lantern.retention', 'ends', true); DELETE FROM journal.audit
            SQL, 'TRUNCATE journal.audit'] as $sql) {
            yield "even the owner: $sql" => ['LANTERN_OWNER_DATABASE_URL', $sql];
        }
    }

    #[DataProvider('denied')]
    public function testWhatNoneOfThemMay(string $role, string $sql): void
    {
        $connection = self::as($role);
        $connection->beginTransaction();
        // So that there is something to be changed.
        if ('LANTERN_SHOP_DATABASE_URL' !== $role) {
            $connection->exec("SELECT journal.add_audit(NULL, '', 'tried', '{}', '')");
        }
        $state = 'nothing was wrong';
        try {
            $connection->exec($sql);
        } catch (\PDOException $error) {
            $state = $error->getCode();
        } finally {
            $connection->rollBack();
        }
        self::assertSame(self::DENIED, $state);
    }

    public function testWhatTheyHaveToTheyMay(): void
    {
        foreach ([
            'LANTERN_SHOP_DATABASE_URL' => ['SELECT count(*) FROM live.place', 'SELECT count(*) FROM workbench.entry', <<<'SQL'
                INSERT INTO journal.visit (address, day, count) VALUES ('/tried', '2026-01-01', 1)
                SQL],
            'LANTERN_ADMIN_DATABASE_URL' => [
                "SELECT journal.add_audit(NULL, '', 'tried', '{}', '')",
                'SELECT journal.forget_audit()',
                "SELECT journal.measure('live.place')",
                'UPDATE workbench.place SET title = title',
            ],
        ] as $role => $statements) {
            $connection = self::as($role);
            $connection->beginTransaction();
            foreach ($statements as $sql) {
                self::assertNotFalse($connection->query($sql), $sql);
            }
            $connection->rollBack();
        }
    }

    public function testTheShopWritesNoTableButThoseThatCount(): void
    {
        $query = self::as('LANTERN_OWNER_DATABASE_URL')->query(<<<'SQL'
            SELECT format('%I.%I', n.nspname, c.relname) FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
            WHERE c.relkind = 'r' AND n.nspname IN ('live', 'workbench', 'catalogue', 'journal', 'public')
            AND (has_table_privilege('lantern_shop', c.oid, 'INSERT') OR has_table_privilege('lantern_shop', c.oid, 'UPDATE')
            OR has_table_privilege('lantern_shop', c.oid, 'DELETE')) ORDER BY 1
            SQL);
        self::assertNotFalse($query);
        self::assertSame(
            [
                'journal.message',
                'journal.missed_search',
                'journal.missed_visit',
                'journal.sign_up_asked',
                'journal.subscriber',
                'journal.visit',
                'journal.visited',
            ],
            $query->fetchAll(\PDO::FETCH_COLUMN),
        );
    }

    private static function as(string $role): \PDO
    {
        $url = $_SERVER[$role] ?? '';
        self::assertIsString($url);
        $parts = parse_url($url);
        self::assertIsArray($parts, $role);

        return new \PDO(
            \sprintf('pgsql:host=%s;port=%d;dbname=%s', $parts['host'] ?? '', $parts['port'] ?? 5432, ltrim($parts['path'] ?? '', '/')),
            $parts['user'] ?? '',
            $parts['pass'] ?? '',
            [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION],
        );
    }
}
