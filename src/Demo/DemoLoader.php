<?php

declare(strict_types=1);

namespace Lantern\Demo;

use Doctrine\DBAL\Connection;
use Lantern\Core\Person\Actor;
use Lantern\Core\Release\CopyName;
use Lantern\Workbench\Findings\Inspection;
use Lantern\Workbench\Publishing\Publisher;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\PasswordHasher\PasswordHasherInterface;

/** Fills a new database with the demo shop and makes it live as the first release. */
final readonly class DemoLoader
{
    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private Publisher $publisher,
        private Inspection $inspection,
        private ClockInterface $clock,
        #[Autowire(service: 'lantern.password_hasher')] private PasswordHasherInterface $hasher,
        #[Autowire(env: 'resolve:LANTERN_FILES')] private string $filesDir,
    ) {
    }

    public function isThere(): bool
    {
        return false !== $this->connection->fetchOne('SELECT 1 FROM place LIMIT 1');
    }

    public function load(): void
    {
        $shop = DemoShop::made($this->clock->now()->setTime(0, 0));
        $this->connection->transactional(function () use ($shop): void {
            foreach ($shop->rows() as $table => $rows) {
                $this->insert($table, $rows);
            }
            $this->people($shop->people());
        });
        $this->publisher->publish(Actor::commandLine('Imke Ravensworth'));
        $this->drawFiles($shop);
        foreach (CopyName::cases() as $copy) {
            $this->inspection->walk($copy);
        }
    }

    /** @param list<array<string, mixed>> $rows */
    private function insert(string $table, array $rows): void
    {
        foreach (array_chunk($rows, 2000) as $some) {
            $columns = implode(', ', array_keys($some[0]));
            $this->connection->executeStatement(
                "INSERT INTO $table ($columns) SELECT $columns FROM jsonb_populate_recordset(NULL::$table, CAST(? AS jsonb))",
                [json_encode(array_map(self::objectsAsMaps(...), $some), \JSON_THROW_ON_ERROR)],
            );
        }
    }

    /**
     * An empty map would be written as a list.
     *
     * @param array<string, mixed> $row
     *
     * @return array<string, mixed>
     */
    private static function objectsAsMaps(array $row): array
    {
        return isset($row['options']) ? ['options' => (object) $row['options']] + $row : $row;
    }

    /** @param list<array<string, string>> $people */
    private function people(array $people): void
    {
        foreach ($people as $person) {
            $this->connection->insert(
                'journal.person',
                ['id' => DemoId::of('people/'.$person['mail']), 'password' => $this->hasher->hash($person['password'])] + $person,
            );
        }
    }

    private function drawFiles(DemoShop $shop): void
    {
        $files = new Filesystem();
        foreach ($shop->pictures() as $name => $words) {
            $files->dumpFile("{$this->filesDir}/pictures/$name", Pictures::draw($name, $words));
        }
        foreach ($shop->storedFiles() as $name => $content) {
            $files->dumpFile("{$this->filesDir}/$name", $content);
        }
    }
}
