<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Edits that reach many rows are taken back as one; redirects have versions and are found by letters. */
final class Version20261126000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'edits of many rows taken back as one, versions and letters of redirects';
    }

    public function up(Schema $schema): void
    {
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql("ALTER TABLE $copy.redirect ADD version integer NOT NULL DEFAULT 1");
        }
        // The expression is that of RedirectTable, letter for letter.
        $this->addSql("CREATE INDEX redirect_letters ON workbench.redirect USING gin (((source || ' ' || COALESCE(goal_address, goal_outside, '') || ' ' || note) COLLATE \"default\") public.gin_trgm_ops)");
        $this->addSql('DROP TABLE journal.place_step');
        $this->addSql('DROP TABLE journal.frame_step');
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.edit (
                id uuid PRIMARY KEY,
                person_id uuid NOT NULL,
                about text NOT NULL,
                sentence text NOT NULL,
                menus jsonb NOT NULL DEFAULT '{}',
                made_at timestamptz(0) NOT NULL DEFAULT now(),
                undone boolean NOT NULL DEFAULT false
            )
            SQL);
        $this->addSql('CREATE INDEX edit_stack ON journal.edit (person_id, about, id) WHERE NOT undone');
        $this->addSql('CREATE INDEX edit_made ON journal.edit (made_at)');
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.edit_row (
                edit_id uuid NOT NULL REFERENCES journal.edit ON DELETE CASCADE,
                table_name text NOT NULL,
                row_id text NOT NULL,
                before jsonb,
                after jsonb,
                PRIMARY KEY (edit_id, table_name, row_id)
            )
            SQL);
        // Within an edit the database itself notes each row as it was and as it became, so no code can forget one.
        $this->addSql(<<<'SQL'
            CREATE OR REPLACE FUNCTION journal.touch() RETURNS trigger LANGUAGE plpgsql AS $$
            DECLARE
                edit text := NULLIF(current_setting('lantern.edit', true), '');
                touched text := COALESCE(NEW.id, OLD.id)::text;
            BEGIN
                INSERT INTO journal.touched VALUES (TG_TABLE_NAME, touched) ON CONFLICT DO NOTHING;
                IF edit IS NOT NULL THEN
                    INSERT INTO journal.edit_row VALUES (edit::uuid, TG_TABLE_NAME, touched,
                        CASE WHEN TG_OP <> 'INSERT' THEN to_jsonb(OLD) END, CASE WHEN TG_OP <> 'DELETE' THEN to_jsonb(NEW) END)
                    ON CONFLICT (edit_id, table_name, row_id) DO UPDATE SET after = excluded.after;
                END IF;
                RETURN NULL;
            END $$
            SQL);
    }

    public function down(Schema $schema): void
    {
        $this->addSql(<<<'SQL'
            CREATE OR REPLACE FUNCTION journal.touch() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                INSERT INTO journal.touched VALUES (TG_TABLE_NAME, COALESCE(NEW.id, OLD.id)::text) ON CONFLICT DO NOTHING;
                RETURN NULL;
            END $$
            SQL);
        $this->addSql('DROP TABLE journal.edit_row');
        $this->addSql('DROP TABLE journal.edit');
        $this->addSql('CREATE TABLE journal.frame_step (id uuid PRIMARY KEY, person_id uuid NOT NULL, before jsonb NOT NULL)');
        $this->addSql('CREATE INDEX frame_step_stack ON journal.frame_step (person_id, id)');
        $this->addSql('CREATE TABLE journal.place_step (id uuid PRIMARY KEY, person_id uuid NOT NULL, sentence text NOT NULL, before jsonb NOT NULL, undone boolean NOT NULL DEFAULT false)');
        $this->addSql('CREATE INDEX place_step_stack ON journal.place_step (person_id, undone, id)');
        $this->addSql('DROP INDEX workbench.redirect_letters');
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql("ALTER TABLE $copy.redirect DROP version");
        }
    }
}
