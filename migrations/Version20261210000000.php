<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** What is right after hours and for two at once: one clock, previews that end with their sessions, a log of what was done that cannot be forged, queues, versions. */
final class Version20261210000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'one clock, previews, the audit log, queues, versions';
    }

    public function up(Schema $schema): void
    {
        $this->oneClock();
        $this->previews();
        $this->audit();
        $this->background();
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE journal.person DROP morning_told_at');
        $this->addSql('DROP TABLE journal.letter_sent');
        $this->addSql('ALTER TABLE journal.subscriber DROP counted_from');
        $this->addSql('DROP TABLE journal.outside_host');
        $this->addSql('ALTER TABLE journal.outside_answer DROP host');
        $this->addSql('ALTER TABLE journal.job DROP heard_at');
        $this->addSql('DROP TABLE journal.attempt');
        $this->addSql('ALTER TABLE journal.set_aside DROP person_id');
        $this->addSql('ALTER TABLE journal.release DROP released_by_id');
        $this->addSql('DROP FUNCTION journal.add_audit(uuid, text, text, jsonb, text)');
        $this->addSql('DROP FUNCTION journal.forget_audit()');
        $this->addSql('ALTER TABLE journal.audit DROP person_id');
        $this->addSql('ALTER TABLE journal.preview_key DROP session_id');
        $this->inAllThatRuns('journal.moment()', 'now()');
        $this->addSql('DROP FUNCTION journal.moment()');
    }

    /** Whatever is compared with the present asks one function for it, so that a test moves the clock of all of it. */
    private function oneClock(): void
    {
        $this->addSql("CREATE FUNCTION journal.moment() RETURNS timestamptz LANGUAGE sql STABLE PARALLEL SAFE AS $$ SELECT COALESCE(CAST(NULLIF(current_setting('lantern.moment', true), '') AS timestamptz), now()) $$");
        $this->addSql("COMMENT ON FUNCTION journal.moment() IS 'now, or what lantern.moment says in a test'");
        $this->inAllThatRuns('now()', 'journal.moment()');
    }

    /** In functions and usual values of columns. */
    private function inAllThatRuns(string $from, string $to): void
    {
        $this->addSql(\sprintf(<<<'SQL'
            DO $do$
            DECLARE
                one record;
            BEGIN
                FOR one IN SELECT pg_get_functiondef(p.oid) AS definition FROM pg_proc p JOIN pg_namespace n ON n.oid = p.pronamespace
                    WHERE n.nspname IN ('live', 'workbench', 'catalogue', 'journal') AND p.prokind = 'f' AND p.proname NOT IN ('moment', 'keep_audit', 'forget_audit', 'add_audit') AND p.prosrc ~ '\m%1$s'
                LOOP
                    EXECUTE replace(one.definition, '%2$s', '%3$s');
                END LOOP;
                FOR one IN SELECT d.adrelid::regclass AS of_table, a.attname AS name, pg_get_expr(d.adbin, d.adrelid) AS usual FROM pg_attrdef d JOIN pg_attribute a ON a.attrelid = d.adrelid AND a.attnum = d.adnum
                    JOIN pg_class c ON c.oid = d.adrelid JOIN pg_namespace n ON n.oid = c.relnamespace
                    WHERE n.nspname IN ('live', 'workbench', 'catalogue', 'journal') AND d.adrelid <> 'journal.audit'::regclass AND pg_get_expr(d.adbin, d.adrelid) ~ '\m%1$s'
                LOOP
                    EXECUTE format('ALTER TABLE %%s ALTER %%I SET DEFAULT %%s', one.of_table, one.name, replace(one.usual, '%2$s', '%3$s'));
                END LOOP;
            END $do$
            SQL, preg_quote($from), $from, $to));
    }

    private function previews(): void
    {
        // A preview is of a session and goes with its row, whoever deletes that and why. One that a command opened has none.
        $this->addSql('DELETE FROM journal.preview_key');
        $this->addSql('ALTER TABLE journal.preview_key ADD session_id uuid REFERENCES journal.own_session (id) ON DELETE CASCADE');
        $this->addSql('CREATE INDEX preview_key_session ON journal.preview_key (session_id)');
    }

    private function audit(): void
    {
        $this->addSql('ALTER TABLE journal.audit ADD person_id uuid');
        $this->addSql("COMMENT ON COLUMN journal.audit.person_id IS 'who it was; the name beside it is what they were called then'");
        $this->addSql('ALTER TABLE journal.release ADD released_by_id uuid');
        $this->addSql('ALTER TABLE journal.set_aside ADD person_id uuid');
        foreach (['release' => ['released_by', 'released_by_id'], 'set_aside' => ['person', 'person_id']] as $table => [$name, $id]) {
            // Where just one person has the name it was them.
            $this->addSql("UPDATE journal.$table t SET $id = (SELECT min(p.id::text)::uuid FROM journal.person p WHERE p.name = t.$name HAVING count(*) = 1)");
        }
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.attempt (
                day date NOT NULL, what text NOT NULL, network text NOT NULL, account text NOT NULL, person_id uuid NOT NULL, times bigint NOT NULL,
                PRIMARY KEY (day, what, network, account, person_id)
            )
            SQL);
        $this->addSql("COMMENT ON TABLE journal.attempt IS 'what strangers tried, counted, so that the audit log need not have each of them; kept for two days'");
        // The roles of the servers add to the log by this alone: they choose neither the moment nor the place in it. By the server''s own
        // clock, which nothing moves.
        $this->addSql(<<<'SQL'
            CREATE FUNCTION journal.add_audit(person_id uuid, person text, what text, about jsonb, network text) RETURNS void LANGUAGE sql SECURITY DEFINER SET search_path = pg_catalog AS $$
                INSERT INTO journal.audit (at, person_id, person, what, about, network) VALUES (clock_timestamp(), $1, $2, $3, $4, $5)
            $$
            SQL);
        $this->addSql('DROP FUNCTION journal.forget_audit(integer)');
        $this->addSql(<<<'SQL'
            CREATE FUNCTION journal.forget_audit() RETURNS integer LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
            DECLARE
                days integer := greatest(30, COALESCE((SELECT CASE WHEN value ~ '^\d{1,5}$' THEN value::integer END FROM journal.house_rule WHERE name = 'audit-days'), 730));
                gone integer;
            BEGIN
                DELETE FROM journal.audit WHERE at < clock_timestamp() - make_interval(days => days);
                GET DIAGNOSTICS gone = ROW_COUNT;
                RETURN gone;
            END $$
            SQL);
        $this->addSql(<<<'SQL'
            CREATE OR REPLACE FUNCTION journal.keep_audit() RETURNS trigger LANGUAGE plpgsql AS $$
            DECLARE
                called_by text;
            BEGIN
                GET DIAGNOSTICS called_by = PG_CONTEXT;
                IF TG_OP = 'DELETE' AND called_by ~ '\nPL/pgSQL function journal\.forget_audit\(\)' THEN
                    RETURN OLD;
                END IF;
                RAISE EXCEPTION 'The audit log is not changed.' USING ERRCODE = '42501';
            END $$
            SQL);
        $this->addSql('REVOKE EXECUTE ON FUNCTION journal.forget_audit(), journal.add_audit(uuid, text, text, jsonb, text) FROM PUBLIC');
    }

    private function background(): void
    {
        $this->addSql('ALTER TABLE journal.job ADD heard_at timestamptz');
        $this->addSql("ALTER TABLE journal.outside_answer ADD host text GENERATED ALWAYS AS (lower(substring(url from '^[A-Za-z]+://([^/?#]*)'))) STORED");
        $this->addSql('CREATE INDEX outside_answer_host ON journal.outside_answer (host, again_at)');
        $this->addSql('CREATE TABLE journal.outside_host (host text PRIMARY KEY, patient_until timestamptz NOT NULL)');
        $this->addSql("COMMENT ON TABLE journal.outside_host IS 'other web sites that asked to be left alone for a while'");
        $this->addSql('ALTER TABLE journal.subscriber ADD counted_from timestamptz DEFAULT journal.moment()');
        $this->addSql('UPDATE journal.subscriber SET counted_from = asked_at');
        $this->addSql('ALTER TABLE journal.subscriber ALTER counted_from SET NOT NULL');
        $this->addSql("COMMENT ON COLUMN journal.subscriber.counted_from IS 'when the first of the letters went out that `letters` counts'");
        $this->addSql('CREATE TABLE journal.letter_sent (id uuid PRIMARY KEY, at timestamptz NOT NULL)');
        $this->addSql("COMMENT ON TABLE journal.letter_sent IS 'letters that went out, by the id of their message: one that comes again is not sent again; kept for a week'");
        $this->addSql('ALTER TABLE journal.person ADD morning_told_at timestamptz');
        $this->addSql("COMMENT ON COLUMN journal.person.morning_told_at IS 'until when what broke was told by mail'");
    }
}
