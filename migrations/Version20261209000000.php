<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** People: a fourth role, who is invited, who may no longer sign in, requests for a release, and an audit log that nothing can change. */
final class Version20261209000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'people, invitations, and what was done';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE journal.person DROP CONSTRAINT person_role_check, ADD CONSTRAINT person_role_check CHECK (role IN ('owner', 'publisher', 'editor', 'viewer'))");
        $this->addSql("ALTER TABLE journal.person ADD left_at timestamptz, ADD seen_at timestamptz, ADD factor text NOT NULL DEFAULT '', ADD factor_awaited text NOT NULL DEFAULT '', ADD factor_step bigint NOT NULL DEFAULT 0");
        $this->addSql("COMMENT ON COLUMN journal.person.factor IS 'the secret of the second factor, encrypted; empty: none'");
        $this->addSql("COMMENT ON COLUMN journal.person.factor_step IS 'the last step of time that a code was taken of'");
        $this->addSql('CREATE TABLE journal.recovery_code (person_id uuid NOT NULL REFERENCES journal.person (id) ON DELETE CASCADE, code_hash text NOT NULL, PRIMARY KEY (person_id, code_hash))');
        $this->addSql('CREATE TABLE journal.house_rule (name text PRIMARY KEY, value text NOT NULL)');
        $this->addSql("COMMENT ON TABLE journal.house_rule IS 'what the owners set for those who work here; not drafted'");
        $this->addSql("COMMENT ON COLUMN journal.person.left_at IS 'since when they cannot sign in any more'");
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.invitation (
                id uuid PRIMARY KEY, mail text NOT NULL, name text NOT NULL, role text NOT NULL CHECK (role IN ('owner', 'publisher', 'editor', 'viewer')),
                token_hash text NOT NULL UNIQUE, invited_by text NOT NULL, at timestamptz NOT NULL, until timestamptz NOT NULL
            )
            SQL);
        $this->addSql('CREATE UNIQUE INDEX invitation_mail ON journal.invitation (mail)');
        $this->addSql('CREATE TABLE journal.password_link (token_hash text PRIMARY KEY, person_id uuid NOT NULL REFERENCES journal.person (id), until timestamptz NOT NULL)');
        $this->addSql('CREATE TABLE journal.release_request (id uuid PRIMARY KEY, person_id uuid NOT NULL, person text NOT NULL, note text NOT NULL, at timestamptz NOT NULL)');
        $this->addSql("CREATE TABLE journal.audit (id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY, at timestamptz NOT NULL DEFAULT now(), person text NOT NULL, what text NOT NULL, about jsonb NOT NULL, network text NOT NULL DEFAULT '')");
        $this->addSql('CREATE INDEX audit_at ON journal.audit (at)');
        // Whoever works here can add to it and read it, and nothing else; only what is older than the owner wants goes, by this function.
        $this->addSql(<<<'SQL'
            CREATE FUNCTION journal.keep_audit() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                IF TG_OP = 'DELETE' AND current_setting('lantern.retention', true) = 'ends' THEN
                    RETURN OLD;
                END IF;
                RAISE EXCEPTION 'The audit log is not changed.' USING ERRCODE = '42501';
            END $$
            SQL);
        $this->addSql('CREATE TRIGGER kept BEFORE UPDATE OR DELETE ON journal.audit FOR EACH ROW EXECUTE FUNCTION journal.keep_audit()');
        $this->addSql(<<<'SQL'
            CREATE FUNCTION journal.forget_audit(days integer) RETURNS integer LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
            DECLARE
                gone integer;
            BEGIN
                IF days < 30 THEN
                    RAISE EXCEPTION 'What was done is kept for thirty days at least.' USING ERRCODE = '42501';
                END IF;
                PERFORM set_config('lantern.retention', 'ends', true);
                DELETE FROM journal.audit WHERE at < now() - make_interval(days => days);
                GET DIAGNOSTICS gone = ROW_COUNT;
                PERFORM set_config('lantern.retention', '', true);
                RETURN gone;
            END $$
            SQL);
        // Whoever does not own a table cannot have its statistics made anew, though it may have written half of it.
        $this->addSql(<<<'SQL'
            CREATE FUNCTION journal.measure(name text) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
            BEGIN
                EXECUTE 'ANALYZE ' || (SELECT format('%I.%I', n.nspname, c.relname) FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace WHERE c.oid = to_regclass(name) AND c.relkind = 'r' AND n.nspname IN ('live', 'workbench', 'catalogue', 'journal'));
            END $$
            SQL);
        $this->addSql('REVOKE EXECUTE ON FUNCTION journal.forget_audit(integer), journal.measure(text) FROM PUBLIC');
        $this->addSql("CREATE FUNCTION journal.refuse_truncate() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RAISE EXCEPTION 'The audit log is not changed.' USING ERRCODE = '42501'; END $$");
        $this->addSql('CREATE TRIGGER kept_whole BEFORE TRUNCATE ON journal.audit FOR EACH STATEMENT EXECUTE FUNCTION journal.refuse_truncate()');
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.own_session (
                id uuid PRIMARY KEY, person_id uuid NOT NULL REFERENCES journal.person (id), begun_at timestamptz NOT NULL, seen_at timestamptz NOT NULL,
                network text NOT NULL, browser text NOT NULL, factor_shown boolean NOT NULL DEFAULT false
            )
            SQL);
        $this->addSql('CREATE INDEX own_session_person ON journal.own_session (person_id)');
    }

    public function down(Schema $schema): void
    {
        foreach (['own_session', 'house_rule', 'recovery_code', 'audit', 'release_request', 'password_link', 'invitation'] as $table) {
            $this->addSql("DROP TABLE journal.$table");
        }
        $this->addSql('DROP FUNCTION journal.keep_audit()');
        $this->addSql('DROP FUNCTION journal.refuse_truncate()');
        $this->addSql('DROP FUNCTION journal.forget_audit(integer)');
        $this->addSql('DROP FUNCTION journal.measure(text)');
        $this->addSql('ALTER TABLE journal.person DROP left_at, DROP seen_at, DROP factor, DROP factor_awaited, DROP factor_step');
        $this->addSql("UPDATE journal.person SET role = 'editor' WHERE role = 'publisher'");
        $this->addSql("ALTER TABLE journal.person DROP CONSTRAINT person_role_check, ADD CONSTRAINT person_role_check CHECK (role IN ('owner', 'editor', 'viewer'))");
    }
}
