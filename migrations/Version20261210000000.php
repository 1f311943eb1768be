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
        $this->linkCheck();
        foreach (['workbench', 'live'] as $copy) {
            $this->textOfPages($copy);
        }
        $this->search();
        $this->versions();
        $this->orderOfTitles('title', 'title COLLATE catalogue.by_name');
    }

    public function down(Schema $schema): void
    {
        $this->orderOfTitles('title COLLATE catalogue.by_name', 'title');
        foreach (['bay', 'setting'] as $table) {
            $this->addSql("DROP TRIGGER counts_versions ON workbench.$table");
            $this->addSql("ALTER TABLE workbench.$table DROP version");
            $this->addSql("ALTER TABLE live.$table DROP version");
        }
        $this->addSql('DROP FUNCTION workbench.count_version()');
        $this->inCatalogue('search_terms', 'catalogue.changed_places(t.typed, l.word)', 'catalogue.letters_of(t.typed) = l.letters');
        $this->addSql('DROP FUNCTION catalogue.changed_places(text, text)');
        $this->inCatalogue('words_of', 'catalogue.plain(', '(');
        $this->addSql('DROP FUNCTION catalogue.plain(text)');
        $this->addSql('DROP VIEW journal.shown_text_mention');
        foreach (['workbench', 'live'] as $copy) {
            foreach (['inserted', 'updated', 'deleted'] as $when) {
                $this->addSql("DROP TRIGGER search_$when ON $copy.entry");
            }
            $this->addSql("DROP FUNCTION $copy.note_entry_to_search()");
            $this->addSql(<<<SQL
                CREATE OR REPLACE FUNCTION $copy.write_search_words(ids uuid[]) RETURNS void LANGUAGE plpgsql AS \$\$
                BEGIN
                    IF cardinality(ids) = 0 THEN
                        RETURN;
                    END IF;
                    INSERT INTO $copy.search_words SELECT p.id, f.seat, catalogue.words_of(p.title, p.summary, w.html, f.maker, f.tags, f.options)
                    FROM $copy.place p LEFT JOIN $copy.words w ON w.id = p.id LEFT JOIN catalogue.product f ON f.id = p.id AND p.kind = 'product' WHERE p.id = ANY (ids)
                    ON CONFLICT (place_id) DO UPDATE SET seat = excluded.seat, words = excluded.words;
                    PERFORM catalogue.learn(ARRAY(SELECT words FROM $copy.search_words WHERE place_id = ANY (ids)));
                END \$\$
                SQL);
            $this->addSql("DROP FUNCTION $copy.text_of_page(uuid)");
            $this->addSql("DROP VIEW $copy.shown_words");
        }
        $this->addSql('ALTER TABLE journal.release DROP frame_parts');
        $this->addSql('ALTER TABLE journal.due DROP tx');
        $this->inFunction('note_due', '> 200000 AS is', '> 20000 AS is');
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
        $this->addSql('DROP FUNCTION journal.utc_day()');
        $this->addSql('DROP FUNCTION journal.moment()');
    }

    /** Titles stand as people look for them: capitals beside small letters, Ö beside O, 2 before 10; equal ones by their bytes. */
    private function orderOfTitles(string $from, string $to): void
    {
        if ('title' === $from) {
            $this->addSql("CREATE COLLATION catalogue.by_name (provider = icu, locale = 'en-u-kn-true')");
        }
        $this->addSql(\sprintf(<<<'SQL'
            DO $do$
            DECLARE
                one record;
            BEGIN
                FOR one IN SELECT x.schemaname, x.indexname, x.indexdef FROM pg_indexes x
                    WHERE x.schemaname IN ('live', 'workbench') AND x.indexname IN ('place_kind_title', 'place_title', 'place_alone', 'place_not_open', 'place_not_listed', 'place_besides_products', 'place_children', 'place_siblings', 'place_group', 'place_own_filters', 'product_title_order')
                LOOP
                    EXECUTE format('DROP INDEX %%I.%%I', one.schemaname, one.indexname);
                    EXECUTE regexp_replace(one.indexdef, '\m%s\M', '%s');
                END LOOP;
            END $do$
            SQL, str_replace('.', '\.', $from), $to));
        if ('title' === $to) {
            $this->addSql('DROP COLLATION catalogue.by_name');
        }
    }

    /** Whatever is compared with the present asks one function for it, so that a test moves the clock of all of it. */
    private function oneClock(): void
    {
        $this->addSql("CREATE FUNCTION journal.moment() RETURNS timestamptz LANGUAGE sql STABLE PARALLEL SAFE AS $$ SELECT COALESCE(CAST(NULLIF(current_setting('lantern.moment', true), '') AS timestamptz), now()) $$");
        $this->addSql("COMMENT ON FUNCTION journal.moment() IS 'now, or what lantern.moment says in a test'");
        $this->addSql("CREATE FUNCTION journal.utc_day() RETURNS date LANGUAGE sql STABLE PARALLEL SAFE AS $$ SELECT CAST(journal.moment() AT TIME ZONE 'UTC' AS date) $$");
        $this->addSql("COMMENT ON FUNCTION journal.utc_day() IS 'the day that visits and attempts are counted under'");
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

    private function linkCheck(): void
    {
        $this->addSql("ALTER TABLE journal.release ADD frame_parts text[] NOT NULL DEFAULT '{}'");
        $this->addSql("COMMENT ON COLUMN journal.release.frame_parts IS 'which of header, footer and beside it touched'");
        $this->addSql("UPDATE journal.release SET frame_parts = ARRAY['header', 'footer', 'beside'] WHERE frame");
        $this->addSql('ALTER TABLE journal.due ADD tx xid8 NOT NULL DEFAULT pg_current_xact_id()');
        $this->addSql("COMMENT ON COLUMN journal.due.tx IS 'who left it: a walk that began after that has done it'");
        // What an edit reached is written down, however much it is; only what is more than anybody edits is told of as everything.
        $this->inFunction('note_due', '> 20000 AS is', '> 200000 AS is');
    }

    private function inFunction(string $name, string $from, string $to, string $schema = 'journal'): void
    {
        $this->addSql(\sprintf(<<<'SQL'
            DO $do$
            DECLARE
                before text := pg_get_functiondef((SELECT p.oid FROM pg_proc p JOIN pg_namespace n ON n.oid = p.pronamespace WHERE n.nspname = '%4$s' AND p.proname = '%1$s'));
            BEGIN
                IF position('%2$s' IN before) = 0 THEN
                    RAISE EXCEPTION 'The function %1$s is not as expected.';
                END IF;
                EXECUTE replace(before, '%2$s', '%3$s');
            END $do$
            SQL, $name, str_replace("'", "''", $from), str_replace("'", "''", $to), $schema));
    }

    /** What a page says: its words, or the pieces that it is laid out in, and then the words behind them say nothing. */
    private function textOfPages(string $copy): void
    {
        // As a page without pieces shows its words, a layout that has lost all of its own hides them no longer.
        $this->addSql("CREATE VIEW $copy.shown_words AS SELECT w.id, w.html FROM $copy.words w WHERE NOT EXISTS (SELECT FROM $copy.entry e WHERE e.menu_id = w.id)");
        $this->addSql("COMMENT ON VIEW $copy.shown_words IS 'the words of places that visitors read: not of those that are laid out in pieces'");
        $this->addSql(<<<SQL
            CREATE FUNCTION $copy.text_of_page(page uuid) RETURNS text LANGUAGE sql STABLE AS \$\$
                SELECT COALESCE((SELECT html FROM $copy.shown_words WHERE id = page), '') || COALESCE((
                    WITH RECURSIVE shown AS (
                        SELECT e.id, e.label, e.piece, ARRAY[e.position] AS place FROM $copy.entry e WHERE e.menu_id = page AND e.parent_id IS NULL AND e.enabled
                        UNION ALL SELECT e.id, e.label, e.piece, s.place || e.position FROM $copy.entry e JOIN shown s ON e.parent_id = s.id WHERE e.enabled
                    )
                    SELECT string_agg(
                        CASE WHEN piece ->> 'kind' = 'words' THEN piece ->> 'html'
                            ELSE '<p>' || replace(replace(concat_ws(' ', label, piece ->> 'heading', piece ->> 'words', piece ->> 'text', piece ->> 'button'), '&', '&amp;'), '<', '&lt;') || '</p>' END,
                        E'\n' ORDER BY place
                    ) FROM shown
                ), '')
            \$\$
            SQL);
        $this->addSql(<<<SQL
            CREATE OR REPLACE FUNCTION $copy.write_search_words(ids uuid[]) RETURNS void LANGUAGE plpgsql AS \$\$
            BEGIN
                IF cardinality(ids) = 0 THEN
                    RETURN;
                END IF;
                INSERT INTO $copy.search_words SELECT p.id, f.seat, catalogue.words_of(p.title, p.summary, CASE WHEN p.kind <> 'product' THEN $copy.text_of_page(p.id) END, f.maker, f.tags, f.options)
                FROM $copy.place p LEFT JOIN catalogue.product f ON f.id = p.id AND p.kind = 'product' WHERE p.id = ANY (ids)
                ON CONFLICT (place_id) DO UPDATE SET seat = excluded.seat, words = excluded.words;
                PERFORM catalogue.learn(ARRAY(SELECT words FROM $copy.search_words WHERE place_id = ANY (ids)));
            END \$\$
            SQL);
        $this->addSql(<<<SQL
            CREATE FUNCTION $copy.note_entry_to_search() RETURNS trigger LANGUAGE plpgsql AS \$\$
            BEGIN
                IF TG_OP = 'INSERT' THEN
                    PERFORM $copy.write_search_words(ARRAY(SELECT DISTINCT on_page FROM after WHERE on_page IS NOT NULL));
                ELSIF TG_OP = 'UPDATE' THEN
                    PERFORM $copy.write_search_words(ARRAY(SELECT DISTINCT on_page FROM (
                        (SELECT id, on_page, parent_id, position, label, enabled, piece FROM after EXCEPT SELECT id, on_page, parent_id, position, label, enabled, piece FROM before)
                        UNION ALL (SELECT id, on_page, parent_id, position, label, enabled, piece FROM before EXCEPT SELECT id, on_page, parent_id, position, label, enabled, piece FROM after)
                    ) changed WHERE on_page IS NOT NULL));
                ELSE
                    PERFORM $copy.write_search_words(ARRAY(SELECT DISTINCT on_page FROM before WHERE on_page IS NOT NULL));
                END IF;
                RETURN NULL;
            END \$\$
            SQL);
        foreach (['inserted' => 'INSERT ON %s REFERENCING NEW TABLE AS after', 'updated' => 'UPDATE ON %s REFERENCING OLD TABLE AS before NEW TABLE AS after', 'deleted' => 'DELETE ON %s REFERENCING OLD TABLE AS before'] as $when => $event) {
            $this->addSql("CREATE TRIGGER search_$when AFTER ".\sprintf($event, "$copy.entry")." FOR EACH STATEMENT EXECUTE FUNCTION $copy.note_entry_to_search()");
        }
        if ('workbench' === $copy) {
            $this->addSql('CREATE VIEW journal.shown_text_mention AS SELECT t.* FROM journal.text_mention t WHERE t.piece_id <> t.source_id OR NOT EXISTS (SELECT FROM workbench.entry e WHERE e.menu_id = t.source_id)');
            $this->addSql("COMMENT ON VIEW journal.shown_text_mention IS 'links in the texts that visitors read'");
        }
    }

    private function search(): void
    {
        // A hyphen parts two words (else “X-200” is an X and a number below nothing), an apostrophe parts none. Core\Search\SearchWords reads what is typed in the same way.
        $this->addSql("CREATE FUNCTION catalogue.plain(words text) RETURNS text LANGUAGE sql IMMUTABLE PARALLEL SAFE AS $$ SELECT regexp_replace(regexp_replace(words, '[''’ʼ]', '', 'g'), '[-‐‑‒–—]', ' ', 'g') $$");
        $this->inCatalogue('words_of', "to_tsvector('catalogue.shop', title)", "to_tsvector('catalogue.shop', catalogue.plain(title))");
        $this->inCatalogue('words_of', "COALESCE(array_to_string(tags, ' '), '')", "catalogue.plain(COALESCE(array_to_string(tags, ' '), ''))");
        $this->inCatalogue('words_of', "summary || ' ' || COALESCE(left(html, 30000), '')", "catalogue.plain(summary || ' ' || COALESCE(left(html, 30000), ''))");
        $this->addSql(<<<'SQL'
            CREATE FUNCTION catalogue.changed_places(a text, b text) RETURNS boolean LANGUAGE sql IMMUTABLE PARALLEL SAFE AS $$
                SELECT EXISTS (SELECT FROM generate_series(1, char_length(a) - 1) AS n WHERE overlay(a PLACING substr(a, n + 1, 1) || substr(a, n, 1) FROM n FOR 2) = b)
            $$
            SQL);
        $this->addSql("COMMENT ON FUNCTION catalogue.changed_places(text, text) IS 'whether two letters beside each other have changed places, see Core\\Search\\Slip'");
        $this->inCatalogue('search_terms', 'catalogue.letters_of(t.typed) = l.letters', 'catalogue.changed_places(t.typed, l.word)');
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql("SELECT $copy.write_search_words(ARRAY(SELECT id FROM $copy.place))");
        }
    }

    private function inCatalogue(string $name, string $from, string $to): void
    {
        $this->inFunction($name, $from, $to, 'catalogue');
    }

    /** What is edited one at a time has a version, whoever writes it. */
    private function versions(): void
    {
        $this->addSql(<<<'SQL'
            CREATE FUNCTION workbench.count_version() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                NEW.version := OLD.version + 1;
                RETURN NEW;
            END $$
            SQL);
        foreach (['bay', 'setting'] as $table) {
            $this->addSql("ALTER TABLE workbench.$table ADD version integer NOT NULL DEFAULT 1");
            $this->addSql("ALTER TABLE live.$table ADD version integer NOT NULL DEFAULT 1");
            $this->addSql("CREATE TRIGGER counts_versions BEFORE UPDATE ON workbench.$table FOR EACH ROW WHEN (to_jsonb(OLD) - 'version' IS DISTINCT FROM to_jsonb(NEW) - 'version') EXECUTE FUNCTION workbench.count_version()");
        }
    }
}
