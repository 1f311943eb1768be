<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Pages that were made once are given again until something in them could differ: the catalogue says when it changed, and dates are found by index. */
final class Version20261127000000 extends AbstractMigration
{
    private const DATES = ['place' => ['opens_on', 'closes_on'], 'entry' => ['from_on', 'until_on'], 'redirect' => ['until']];

    public function getDescription(): string
    {
        return 'the version of the catalogue, and dates found by index';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE catalogue.version (id boolean PRIMARY KEY DEFAULT true CHECK (id), version bigint NOT NULL)');
        $this->addSql('INSERT INTO catalogue.version (version) VALUES (1)');
        $this->addSql(<<<'SQL'
            CREATE FUNCTION catalogue.note_change() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                UPDATE catalogue.version SET version = version + 1;
                RETURN NULL;
            END $$
            SQL);
        foreach (['product', 'standing'] as $table) {
            $this->addSql("CREATE TRIGGER changed AFTER INSERT OR UPDATE OR DELETE OR TRUNCATE ON catalogue.$table FOR EACH STATEMENT EXECUTE FUNCTION catalogue.note_change()");
        }
        foreach (self::DATES as $table => $columns) {
            foreach ($columns as $column) {
                $this->addSql("CREATE INDEX {$table}_{$column} ON live.$table ($column) WHERE $column IS NOT NULL");
            }
        }
    }

    public function down(Schema $schema): void
    {
        foreach (self::DATES as $table => $columns) {
            foreach ($columns as $column) {
                $this->addSql("DROP INDEX live.{$table}_{$column}");
            }
        }
        foreach (['product', 'standing'] as $table) {
            $this->addSql("DROP TRIGGER changed ON catalogue.$table");
        }
        $this->addSql('DROP FUNCTION catalogue.note_change()');
        $this->addSql('DROP TABLE catalogue.version');
    }
}
