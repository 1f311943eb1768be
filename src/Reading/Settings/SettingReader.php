<?php

declare(strict_types=1);

namespace Lantern\Reading\Settings;

use Doctrine\DBAL\Connection;
use Lantern\Core\Shop\Settings;
use Lantern\Reading\Sql\Row;

/** The settings of one copy, read once for all who ask while nothing is changed. */
final class SettingReader
{
    private ?Settings $known = null;

    public function __construct(private readonly Connection $connection)
    {
    }

    public function all(): Settings
    {
        return $this->known ??= $this->read();
    }

    public function name(): string
    {
        return $this->all()->name();
    }

    public function zone(): \DateTimeZone
    {
        return $this->all()->zone();
    }

    /** For whoever has changed some. */
    public function forget(): void
    {
        $this->known = null;
    }

    private function read(): Settings
    {
        $values = [];
        foreach ($this->connection->fetchAllAssociative("SELECT id, value #>> '{}' AS value FROM setting") as $columns) {
            $row = new Row($columns);
            $values[$row->text('id')] = $row->text('value');
        }

        return new Settings($values);
    }
}
