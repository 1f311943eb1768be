<?php

declare(strict_types=1);

namespace Lantern\Workbench\Shop;

use Doctrine\DBAL\Connection;
use Lantern\Reading\Copies\Copies;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Writes settings of the workbench within an edit. What is as it was stays untouched, and waits for nothing. */
final readonly class SettingWriter
{
    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection, private Copies $copies)
    {
    }

    /** @param array<string, string> $values by setting */
    public function write(array $values): void
    {
        $rows = array_map(static fn (string $id, string $value): array => ['id' => $id, 'value' => $value], array_keys($values), $values);
        $this->connection->executeStatement('INSERT INTO setting (id, value) SELECT * FROM jsonb_to_recordset(CAST(? AS jsonb)) AS s(id text, value jsonb) ON CONFLICT (id) DO UPDATE SET value = excluded.value WHERE setting.value <> excluded.value', [json_encode($rows, \JSON_THROW_ON_ERROR)]);
        $this->copies->workbench->settings->forget();
    }
}
