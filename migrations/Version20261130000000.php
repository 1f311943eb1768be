<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** One undo for all that a person did, and one place that tells what others changed meanwhile. */
final class Version20261130000000 extends AbstractMigration
{
    /** What is told to have changed, by the table in which it did; the column that names the thing. */
    private const TOLD = [
        'workbench.place' => ['place', 'id'],
        'workbench.words' => ['place', 'id'],
        'workbench.pick' => ['place', 'collection_id'],
        'workbench.menu' => ['menu', 'id'],
        'workbench.entry' => ['menu', 'menu_id'],
        'workbench.bay' => ['frame', null],
        'workbench.setting' => ['frame', null],
        'workbench.redirect' => ['redirect', 'id'],
        'journal.outside_mention' => ['mention', null],
        'journal.alternative' => ['menu', 'menu_id'],
        'journal.release' => ['release', null],
    ];

    private const EVENTS = [
        'inserted' => 'INSERT ON %s REFERENCING NEW TABLE AS these',
        'updated' => 'UPDATE ON %s REFERENCING NEW TABLE AS these',
        'deleted' => 'DELETE ON %s REFERENCING OLD TABLE AS these',
    ];

    public function getDescription(): string
    {
        return 'redo of every edit, and news of the workbench';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE journal.edit ADD undone_at timestamptz, ADD takes_back uuid REFERENCES journal.edit ON DELETE CASCADE');
        $this->addSql('CREATE INDEX edit_takes_back ON journal.edit (takes_back) WHERE takes_back IS NOT NULL');
        $this->addSql('ALTER TABLE journal.step ADD undone_at timestamptz');
        $this->addSql('UPDATE journal.step SET undone_at = now() WHERE undone');
        $this->addSql('CREATE INDEX edit_last ON journal.edit (person_id, id)');
        $this->addSql('CREATE INDEX step_last ON journal.step (person_id, id)');
        // Kept as a list and not drafted, so nothing of it waits; but it is taken back like all else.
        $this->addSql(<<<'SQL'
            CREATE FUNCTION journal.note_edit() RETURNS trigger LANGUAGE plpgsql AS $$
            DECLARE
                edit text := NULLIF(current_setting('lantern.edit', true), '');
            BEGIN
                IF edit IS NOT NULL THEN
                    INSERT INTO journal.edit_row VALUES (edit::uuid, TG_TABLE_NAME, COALESCE(NEW.id, OLD.id)::text,
                        CASE WHEN TG_OP <> 'INSERT' THEN to_jsonb(OLD) END, CASE WHEN TG_OP <> 'DELETE' THEN to_jsonb(NEW) END)
                    ON CONFLICT (edit_id, table_name, row_id) DO UPDATE SET after = excluded.after;
                END IF;
                RETURN NULL;
            END $$
            SQL);
        $this->addSql('CREATE TRIGGER touch AFTER INSERT OR UPDATE OR DELETE ON journal.outside_mention FOR EACH ROW EXECUTE FUNCTION journal.note_edit()');
        $this->addSql("CREATE TABLE journal.news (tx xid8 NOT NULL DEFAULT pg_current_xact_id(), at timestamptz(0) NOT NULL DEFAULT now(), about text NOT NULL, id uuid, page text NOT NULL DEFAULT '')");
        $this->addSql('CREATE INDEX news_tx ON journal.news (tx)');
        $this->addSql('CREATE INDEX news_at ON journal.news (at)');
        // Of very many it is told that some are different, and not which.
        $this->addSql(<<<'SQL'
            CREATE FUNCTION journal.tell() RETURNS trigger LANGUAGE plpgsql AS $$
            DECLARE
                ids uuid[] := NULL;
                told text := TG_ARGV[0];
                teller text := COALESCE(current_setting('lantern.page', true), '');
            BEGIN
                IF TG_ARGV[1] IS NOT NULL THEN
                    EXECUTE format('SELECT array_agg(DISTINCT %I) FROM (SELECT %I FROM these LIMIT 50001) few', TG_ARGV[1], TG_ARGV[1]) INTO ids;
                    IF ids IS NULL THEN RETURN NULL; END IF;
                    IF cardinality(ids) > 100 THEN ids := ARRAY[NULL::uuid]; END IF;
                ELSE
                    IF NOT EXISTS (SELECT FROM these) THEN RETURN NULL; END IF;
                    ids := ARRAY[NULL::uuid];
                END IF;
                INSERT INTO journal.news (about, id, page) SELECT told, one.id, teller FROM unnest(ids) AS one (id)
                WHERE NOT EXISTS (SELECT FROM journal.news n WHERE n.tx = pg_current_xact_id() AND n.about = told AND n.id IS NOT DISTINCT FROM one.id AND n.page = teller);
                RETURN NULL;
            END $$
            SQL);
        foreach (self::TOLD as $table => [$about, $column]) {
            foreach (self::EVENTS as $when => $event) {
                $arguments = null === $column ? "'$about'" : "'$about', '$column'";
                $this->addSql("CREATE TRIGGER told_$when AFTER ".\sprintf($event, $table)." FOR EACH STATEMENT EXECUTE FUNCTION journal.tell($arguments)");
            }
        }
    }

    public function down(Schema $schema): void
    {
        foreach (array_keys(self::TOLD) as $table) {
            foreach (array_keys(self::EVENTS) as $when) {
                $this->addSql("DROP TRIGGER told_$when ON $table");
            }
        }
        $this->addSql('DROP FUNCTION journal.tell()');
        $this->addSql('DROP TABLE journal.news');
        $this->addSql('DROP TRIGGER touch ON journal.outside_mention');
        $this->addSql('DROP FUNCTION journal.note_edit()');
        $this->addSql('DROP INDEX journal.step_last');
        $this->addSql('DROP INDEX journal.edit_last');
        $this->addSql('ALTER TABLE journal.step DROP undone_at');
        $this->addSql('ALTER TABLE journal.edit DROP takes_back, DROP undone_at');
    }
}
