<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Dates within the years that everything can print; previews that end with their session; files and redirects found by index. */
final class Version20261128000000 extends AbstractMigration
{
    private const DATES = ['place' => ['opens_on', 'closes_on'], 'entry' => ['from_on', 'until_on'], 'redirect' => ['until']];

    public function getDescription(): string
    {
        return 'dates in the years 1 to 9999, previews of a session, files and prefix redirects by index';
    }

    public function up(Schema $schema): void
    {
        foreach (['workbench', 'live'] as $copy) {
            // Redirects for all below an address are few, and asked for all at once.
            $this->addSql("CREATE INDEX redirect_prefix ON $copy.redirect (source) WHERE is_prefix");
            $this->addSql("CREATE INDEX place_stored ON $copy.place ((file ->> 'stored')) WHERE kind = 'file'");
            foreach (self::DATES as $table => $columns) {
                foreach ($columns as $column) {
                    $kept = "$column >= '0001-01-01 00:00:00+00' AND $column < '10000-01-01 00:00:00+00'";
                    $this->addSql("UPDATE $copy.$table SET $column = NULL WHERE NOT ($kept)");
                    $this->addSql("ALTER TABLE $copy.$table ADD CONSTRAINT {$table}_{$column}_kept CHECK ($kept)");
                }
            }
        }
        // Every edit that is kept moves its rows on, so what waits can be named, and what was seen be told from it.
        $this->addSql('CREATE SEQUENCE journal.touched_at');
        $this->addSql("ALTER TABLE journal.touched ADD at bigint NOT NULL DEFAULT nextval('journal.touched_at')");
        $this->touch('(TG_TABLE_NAME, touched) ON CONFLICT (table_name, row_id) DO UPDATE SET at = excluded.at');
        $this->addSql('CREATE TABLE journal.preview_key (key text PRIMARY KEY, until timestamptz(0) NOT NULL)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE journal.preview_key');
        $this->touch('(TG_TABLE_NAME, touched) ON CONFLICT DO NOTHING');
        $this->addSql('ALTER TABLE journal.touched DROP at');
        $this->addSql('DROP SEQUENCE journal.touched_at');
        foreach (['workbench', 'live'] as $copy) {
            foreach (self::DATES as $table => $columns) {
                foreach ($columns as $column) {
                    $this->addSql("ALTER TABLE $copy.$table DROP CONSTRAINT {$table}_{$column}_kept");
                }
            }
            $this->addSql("DROP INDEX $copy.place_stored");
            $this->addSql("DROP INDEX $copy.redirect_prefix");
        }
    }

    private function touch(string $noted): void
    {
        $this->addSql(<<<SQL
            CREATE OR REPLACE FUNCTION journal.touch() RETURNS trigger LANGUAGE plpgsql AS \$\$
            DECLARE
                edit text := NULLIF(current_setting('lantern.edit', true), '');
                touched text := COALESCE(NEW.id, OLD.id)::text;
            BEGIN
                INSERT INTO journal.touched (table_name, row_id) VALUES $noted;
                IF edit IS NOT NULL THEN
                    INSERT INTO journal.edit_row VALUES (edit::uuid, TG_TABLE_NAME, touched,
                        CASE WHEN TG_OP <> 'INSERT' THEN to_jsonb(OLD) END, CASE WHEN TG_OP <> 'DELETE' THEN to_jsonb(NEW) END)
                    ON CONFLICT (edit_id, table_name, row_id) DO UPDATE SET after = excluded.after;
                END IF;
                RETURN NULL;
            END \$\$
            SQL);
    }
}
