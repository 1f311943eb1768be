<?php

declare(strict_types=1);

namespace Lantern\Tests;

use Doctrine\DBAL\Connection;
use Lantern\Core\Person\Actor;
use Lantern\Kernel;
use Lantern\Workbench\People\Person;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;
use Symfony\Component\HttpKernel\KernelInterface;

/** A test with the demo shop in a database of its own, copied anew for each test. */
abstract class ShopTestCase extends KernelTestCase
{
    private static string $template = '';
    private static ?string $copied = null;

    public static function setUpBeforeClass(): void
    {
        if ('' === self::$template) {
            $url = $_SERVER['DATABASE_URL'] ?? '';
            self::$template = \is_string($url) && '' !== $url
                ? $url
                : throw new \LogicException('These tests need the database that bin/test starts.');
            $_SERVER['DATABASE_URL'] = $_ENV['DATABASE_URL'] = self::$template.'_test';
        }
    }

    protected function setUp(): void
    {
        $server = $this->server();
        // What nobody has written into since is as good as new.
        if (self::$copied === self::transactions($server)) {
            $server->exec("SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = 'lantern_test'");
        } else {
            $server->exec('DROP DATABASE IF EXISTS lantern_test WITH (FORCE)');
            $server->exec('CREATE DATABASE lantern_test TEMPLATE lantern');
            self::$copied = self::transactions($server);
        }
        self::bootKernel();
    }

    /** The number that the next transaction which writes will have, in any database of the server. */
    private static function transactions(\PDO $server): string
    {
        $next = $server->query('SELECT pg_snapshot_xmax(pg_current_snapshot())');

        return false === $next ? throw new \LogicException('The server says nothing.') : (string) $next->fetchColumn();
    }

    /** @param array<mixed> $options */
    protected static function createKernel(array $options = []): KernelInterface
    {
        return new Kernel('test', false, 'admin');
    }

    /** A connection of its own to the server, past the program. */
    protected function server(string $database = 'postgres'): \PDO
    {
        $url = parse_url(self::$template);

        return new \PDO(
            \sprintf('pgsql:host=%s;port=%d;dbname=%s', $url['host'] ?? '', $url['port'] ?? 0, $database),
            $url['user'] ?? '',
            $url['pass'] ?? '',
            [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION],
        );
    }

    protected function workbench(): Connection
    {
        $connection = self::getContainer()->get('doctrine.dbal.workbench_connection');
        self::assertInstanceOf(Connection::class, $connection);

        return $connection;
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return T
     */
    protected function service(string $class): object
    {
        $service = self::getContainer()->get($class);
        self::assertInstanceOf($class, $service);

        return $service;
    }

    protected function person(string $role = 'editor'): Person
    {
        $entities = $this->service(\Doctrine\ORM\EntityManagerInterface::class);

        return $entities->getRepository(Person::class)->findOneBy(['role' => $role]) ?? throw new \LogicException("Nobody is $role.");
    }

    protected function actor(string $role = 'editor'): Actor
    {
        return $this->person($role)->actor();
    }

    /** @return array<string, string> the first column of a query to its second */
    protected function pairs(string $sql): array
    {
        $pairs = [];
        foreach ($this->workbench()->fetchAllNumeric($sql) as [$key, $value]) {
            if (\is_string($key) && \is_string($value)) {
                $pairs[$key] = $value;
            }
        }

        return $pairs;
    }

    /**
     * One value of the database.
     *
     * @phpstan-impure
     */
    protected function value(string $sql, mixed ...$parameters): string
    {
        $value = $this->workbench()->fetchOne($sql, array_values($parameters));

        return \is_scalar($value) ? (string) $value : '';
    }
}
