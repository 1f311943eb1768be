<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** As quick with many as with few: what lists go by is found by index, and what can only be counted is counted as it changes. */
final class Version20261129000000 extends AbstractMigration
{
    private const DATES = ['place' => ['opens_on', 'closes_on'], 'entry' => ['from_on', 'until_on'], 'redirect' => ['until']];

    public function getDescription(): string
    {
        return 'lists of any size: indexes, marks of redirects, last visits, tags and options of products';
    }

    public function up(Schema $schema): void
    {
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql("DROP INDEX $copy.place_parent");
            $this->addSql("CREATE INDEX place_children ON $copy.place (parent_id, position, published_on DESC NULLS LAST, title, id)");
            $this->addSql("CREATE INDEX place_articles ON $copy.place (published_on DESC NULLS LAST, id) WHERE kind = 'article'");
        }
        foreach (self::DATES as $table => $columns) {
            foreach ($columns as $column) {
                $this->addSql("CREATE INDEX {$table}_{$column} ON workbench.$table ($column) WHERE $column IS NOT NULL");
            }
        }
        // Of a word that all products have, none of the rest may have it, and the other way round.
        $this->addSql('DROP INDEX live.place_letters');
        foreach (['place_letters' => "kind <> 'product'", 'place_letters_of_products' => "kind = 'product'"] as $index => $kind) {
            $this->addSql("CREATE INDEX $index ON live.place USING gin ((title || ' ' || summary) public.gin_trgm_ops) WHERE $kind");
        }
        $this->addSql("CREATE INDEX place_in_sitemap ON live.place (address) INCLUDE (opens_on, closes_on) WHERE listed AND light <> 'closed' AND audience = 'everyone'");
        $this->addSql("CREATE INDEX place_besides_products ON live.place (title, id) WHERE kind <> 'product'");
        $this->addSql('CREATE INDEX place_siblings ON workbench.place (parent_id, position, title, id)');
        $this->addSql('CREATE INDEX place_group ON workbench.place (parent_id, title, id)');
        $this->addSql('CREATE INDEX redirect_status ON workbench.redirect (status, source, id)');
        $this->addSql('CREATE INDEX redirect_origin ON workbench.redirect (origin, source, id)');
        $this->addSql('CREATE INDEX redirect_order ON workbench.redirect (source, id)');
        $this->addSql('CREATE INDEX redirect_ending ON workbench.redirect (source, id) WHERE until IS NOT NULL');
        $this->addSql('ALTER TABLE journal.release ADD frame boolean NOT NULL DEFAULT true');
        $this->addSql('CREATE INDEX release_frame ON journal.release (number DESC) WHERE frame');
        $this->lastVisits();
        $this->marks();
        $this->choices();
        $this->catalogueChanges();
        $this->jobs();
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE journal.message');
        $this->addSql('DROP TABLE journal.job');
        $this->addSql('CREATE TABLE catalogue.version (id boolean PRIMARY KEY DEFAULT true CHECK (id), version bigint NOT NULL)');
        $this->addSql('INSERT INTO catalogue.version (version) VALUES (1)');
        $this->addSql(<<<'SQL'
            CREATE OR REPLACE FUNCTION catalogue.note_change() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                UPDATE catalogue.version SET version = version + 1;
                RETURN NULL;
            END $$
            SQL);
        foreach (['product', 'standing'] as $table) {
            foreach (['inserted', 'updated', 'deleted', 'emptied'] as $when) {
                $this->addSql("DROP TRIGGER changed_$when ON catalogue.$table");
            }
            $this->addSql("CREATE TRIGGER changed AFTER INSERT OR UPDATE OR DELETE OR TRUNCATE ON catalogue.$table FOR EACH STATEMENT EXECUTE FUNCTION catalogue.note_change()");
        }
        $this->addSql('DROP FUNCTION catalogue.note_keys(text[])');
        $this->addSql('DROP TABLE catalogue.change');
        $this->addSql('ALTER TABLE journal.release DROP frame');
        foreach (['inserted', 'updated', 'deleted', 'emptied'] as $when) {
            $this->addSql("DROP TRIGGER choices_$when ON catalogue.product");
        }
        $this->addSql('DROP FUNCTION catalogue.note_choices()');
        $this->addSql('DROP FUNCTION catalogue.choices_of(text[], jsonb)');
        $this->addSql('DROP TABLE catalogue.choice');
        foreach (['place', 'redirect'] as $table) {
            foreach (['inserted', 'updated', 'deleted'] as $when) {
                $this->addSql("DROP TRIGGER marks_$when ON workbench.$table");
            }
            $this->addSql("DROP FUNCTION journal.note_{$table}_marks()");
        }
        $this->addSql('DROP FUNCTION journal.mark_redirects(uuid[])');
        $this->addSql('DROP TABLE journal.redirect_tally');
        $this->addSql('DROP VIEW journal.redirect_mark_now');
        $this->addSql('DROP TABLE journal.redirect_mark');
        $this->addSql('DROP INDEX journal.missed_visit_day');
        $this->addSql('DROP TRIGGER visited_inserted ON journal.visit');
        $this->addSql('DROP FUNCTION journal.note_last_visits()');
        $this->addSql('DROP TABLE journal.visited');
        foreach (self::DATES as $table => $columns) {
            foreach ($columns as $column) {
                $this->addSql("DROP INDEX workbench.{$table}_{$column}");
            }
        }
        foreach (['place_letters', 'place_letters_of_products', 'place_besides_products', 'place_in_sitemap'] as $index) {
            $this->addSql("DROP INDEX live.$index");
        }
        $this->addSql("CREATE INDEX place_letters ON live.place USING gin ((title || ' ' || summary) public.gin_trgm_ops)");
        foreach (['redirect_status', 'redirect_origin', 'redirect_order', 'redirect_ending', 'place_siblings', 'place_group'] as $index) {
            $this->addSql("DROP INDEX workbench.$index");
        }
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql("DROP INDEX $copy.place_children");
            $this->addSql("DROP INDEX $copy.place_articles");
            $this->addSql("CREATE INDEX place_parent ON $copy.place (parent_id, position, id)");
        }
    }

    /**
     * When each address was last visited. A redirect for all below its source has its visits under that source
     * with a slash, which no address ends with.
     */
    private function lastVisits(): void
    {
        $this->addSql('CREATE TABLE journal.visited (address text COLLATE "C" PRIMARY KEY, last_day date NOT NULL)');
        $this->addSql(<<<'SQL'
            INSERT INTO journal.visit (address, day, count)
            SELECT r.source || '/', below.day, below.count FROM workbench.redirect r
            CROSS JOIN LATERAL (SELECT v.day, sum(v.count) AS count FROM journal.visit v WHERE v.address > r.source || '/' AND v.address < r.source || '0' GROUP BY v.day) below
            WHERE r.is_prefix
            ON CONFLICT DO NOTHING
            SQL);
        $this->addSql('INSERT INTO journal.visited SELECT address, max(day) FROM journal.visit GROUP BY address');
        $this->addSql(<<<'SQL'
            CREATE FUNCTION journal.note_last_visits() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                INSERT INTO journal.visited AS known SELECT address, max(day) FROM after GROUP BY address ORDER BY address
                ON CONFLICT (address) DO UPDATE SET last_day = excluded.last_day WHERE known.last_day < excluded.last_day;
                RETURN NULL;
            END $$
            SQL);
        $this->addSql('CREATE TRIGGER visited_inserted AFTER INSERT ON journal.visit REFERENCING NEW TABLE AS after FOR EACH STATEMENT EXECUTE FUNCTION journal.note_last_visits()');
        $this->addSql('CREATE INDEX missed_visit_day ON journal.missed_visit (day)');
    }

    /**
     * Which redirects of the workbench lead nowhere, and which stand behind a place that is not closed. Few do, of however
     * many; so whatever changes one of them, or a place that they have to do with, looks at these alone.
     */
    private function marks(): void
    {
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.redirect_mark (
                mark text NOT NULL CHECK (mark IN ('nowhere', 'shadowed')),
                source text COLLATE "C" NOT NULL,
                redirect_id uuid NOT NULL,
                PRIMARY KEY (redirect_id, mark)
            )
            SQL);
        $this->addSql('CREATE INDEX redirect_mark_order ON journal.redirect_mark (mark, source, redirect_id)');
        $this->addSql(<<<'SQL'
            CREATE VIEW journal.redirect_mark_now AS
            SELECT marks.mark, r.source, r.id AS redirect_id FROM workbench.redirect r CROSS JOIN LATERAL (
                SELECT 'nowhere' AS mark WHERE r.status <> 410 AND CASE
                    WHEN r.goal_place_id IS NOT NULL THEN NOT EXISTS (SELECT FROM workbench.place p WHERE p.id = r.goal_place_id AND p.light <> 'closed')
                    WHEN r.goal_address IS NOT NULL AND NOT r.is_prefix THEN NOT EXISTS (SELECT FROM workbench.place p WHERE p.address = r.goal_address AND p.light <> 'closed')
                        AND NOT EXISTS (SELECT FROM workbench.redirect t WHERE t.source = r.goal_address)
                    ELSE false
                END
                UNION ALL
                SELECT 'shadowed' WHERE NOT r.is_prefix AND EXISTS (SELECT FROM workbench.place p WHERE p.address = r.source AND p.light <> 'closed')
            ) marks
            SQL);
        $this->addSql(<<<'SQL'
            CREATE FUNCTION journal.mark_redirects(concerned uuid[]) RETURNS void LANGUAGE sql AS $$
                DELETE FROM journal.redirect_mark k USING unnest(concerned) AS c (id) WHERE k.redirect_id = c.id;
                INSERT INTO journal.redirect_mark SELECT n.mark, n.source, n.redirect_id FROM unnest(concerned) AS c (id) JOIN journal.redirect_mark_now n ON n.redirect_id = c.id
            $$
            SQL);
        // A place matters to the redirects that lead to it, by itself or by its address, and to the one from there. What changed is found
        // by EXCEPT: a join of the two would be planned once in a session, for the few rows of its first statements, and kept for very many.
        $this->addSql(<<<'SQL'
            CREATE FUNCTION journal.note_place_marks() RETURNS trigger LANGUAGE plpgsql AS $$
            DECLARE ids uuid[]; paths text[]; concerned uuid[];
            BEGIN
                IF TG_OP = 'INSERT' THEN
                    SELECT array_agg(id), array_agg(address) INTO ids, paths FROM after;
                ELSIF TG_OP = 'DELETE' THEN
                    SELECT array_agg(id), array_agg(address) INTO ids, paths FROM before;
                ELSE
                    SELECT array_agg(DISTINCT id), array_agg(DISTINCT address) INTO ids, paths FROM (
                        (SELECT id, address, light FROM before EXCEPT SELECT id, address, light FROM after)
                        UNION ALL (SELECT id, address, light FROM after EXCEPT SELECT id, address, light FROM before)
                    ) changed;
                END IF;
                SELECT array_agg(id) INTO concerned FROM (
                    SELECT r.id FROM unnest(ids) AS changed (id) JOIN workbench.redirect r ON r.goal_place_id = changed.id
                    UNION SELECT r.id FROM unnest(paths) AS changed (address) JOIN workbench.redirect r ON r.goal_address = changed.address
                    UNION SELECT r.id FROM unnest(paths) AS changed (address) JOIN workbench.redirect r ON r.source = changed.address COLLATE "C"
                ) these;
                IF concerned IS NOT NULL THEN PERFORM journal.mark_redirects(concerned); END IF;
                RETURN NULL;
            END $$
            SQL);
        // A redirect matters to itself, and to those that lead to its source.
        $this->addSql(<<<'SQL'
            CREATE FUNCTION journal.note_redirect_marks() RETURNS trigger LANGUAGE plpgsql AS $$
            DECLARE ids uuid[]; paths text[]; concerned uuid[];
            BEGIN
                IF TG_OP = 'INSERT' THEN
                    SELECT array_agg(id), array_agg(source) INTO ids, paths FROM after;
                ELSIF TG_OP = 'DELETE' THEN
                    SELECT array_agg(id), array_agg(source) INTO ids, paths FROM before;
                ELSE
                    SELECT array_agg(DISTINCT id), array_agg(DISTINCT source) INTO ids, paths FROM (SELECT id, source FROM before UNION ALL SELECT id, source FROM after) changed;
                END IF;
                SELECT array_agg(id) INTO concerned FROM (
                    SELECT unnest(ids) AS id UNION SELECT r.id FROM unnest(paths) AS changed (source) JOIN workbench.redirect r ON r.goal_address = changed.source
                ) these;
                IF concerned IS NOT NULL THEN PERFORM journal.mark_redirects(concerned); END IF;
                IF TG_OP <> 'UPDATE' AND ids IS NOT NULL THEN
                    INSERT INTO journal.redirect_tally VALUES (CASE TG_OP WHEN 'INSERT' THEN 1 ELSE -1 END * cardinality(ids));
                END IF;
                RETURN NULL;
            END $$
            SQL);
        // How many there are is the sum of what came and went: a row is added, and none is one that all wait for.
        $this->addSql('CREATE TABLE journal.redirect_tally (more integer NOT NULL)');
        $this->addSql('INSERT INTO journal.redirect_tally SELECT count(*) FROM workbench.redirect');
        foreach (['place', 'redirect'] as $table) {
            foreach (['inserted' => 'INSERT ON workbench.%s REFERENCING NEW TABLE AS after', 'updated' => 'UPDATE ON workbench.%s REFERENCING OLD TABLE AS before NEW TABLE AS after', 'deleted' => 'DELETE ON workbench.%s REFERENCING OLD TABLE AS before'] as $when => $event) {
                $this->addSql("CREATE TRIGGER marks_$when AFTER ".\sprintf($event, $table)." FOR EACH STATEMENT EXECUTE FUNCTION journal.note_{$table}_marks()");
            }
        }
        $this->addSql('INSERT INTO journal.redirect_mark SELECT * FROM journal.redirect_mark_now');
    }

    /** How many products have each tag, and each choice of an option: who narrows a list chooses among these. */
    /**
     * What the product system changed, by the keys that pages are kept under (Node\Freshness): `p:` and the id of a product,
     * `l:` and the id of a category, `l:products`. A transaction adds rows, and none changes one that all share; which rows
     * are new since a snapshot is told by their transactions, since those do not end in the order of any number.
     */
    private function catalogueChanges(): void
    {
        $this->addSql('CREATE TABLE catalogue.change (tx xid8 NOT NULL DEFAULT pg_current_xact_id(), key text NOT NULL, at timestamptz(0) NOT NULL DEFAULT now())');
        $this->addSql('CREATE INDEX change_tx ON catalogue.change (tx)');
        $this->addSql('CREATE INDEX change_at ON catalogue.change (at)');
        $this->addSql(<<<'SQL'
            CREATE FUNCTION catalogue.note_keys(keys text[]) RETURNS void LANGUAGE sql AS $$
                INSERT INTO catalogue.change (key) SELECT DISTINCT key FROM unnest(CASE WHEN cardinality(keys) > 2000 THEN ARRAY['all'] ELSE keys END) AS key WHERE key IS NOT NULL
            $$
            SQL);
        $this->addSql(<<<'SQL'
            CREATE OR REPLACE FUNCTION catalogue.note_change() RETURNS trigger LANGUAGE plpgsql AS $$
            DECLARE keys text[];
            BEGIN
                IF TG_OP = 'TRUNCATE' THEN
                    keys := ARRAY['all'];
                ELSIF TG_TABLE_NAME = 'product' THEN
                    IF TG_OP = 'INSERT' THEN
                        SELECT array_agg('p:' || id) || ARRAY['l:products'] INTO keys FROM after;
                    ELSIF TG_OP = 'DELETE' THEN
                        SELECT array_agg('p:' || id) || ARRAY['l:products'] INTO keys FROM before;
                    ELSE
                        SELECT array_agg(key) INTO keys FROM (
                            SELECT 'p:' || id AS key FROM (SELECT * FROM after EXCEPT SELECT * FROM before) changed
                            UNION SELECT 'l:products' FROM (
                                SELECT id, tags, reduced_from IS NULL, featured, new_since FROM after EXCEPT SELECT id, tags, reduced_from IS NULL, featured, new_since FROM before
                            ) changed
                        ) these;
                    END IF;
                ELSIF TG_OP = 'INSERT' THEN
                    SELECT array_agg('l:' || category_id) || array_agg('p:' || product_id) INTO keys FROM after;
                ELSIF TG_OP = 'DELETE' THEN
                    SELECT array_agg('l:' || category_id) || array_agg('p:' || product_id) INTO keys FROM before;
                ELSE
                    SELECT array_agg('l:' || category_id) || array_agg('p:' || product_id) INTO keys FROM (SELECT * FROM before UNION SELECT * FROM after) these;
                END IF;
                IF keys IS NOT NULL THEN PERFORM catalogue.note_keys(keys); END IF;
                RETURN NULL;
            END $$
            SQL);
        foreach (['product', 'standing'] as $table) {
            $this->addSql("DROP TRIGGER changed ON catalogue.$table");
            foreach (['inserted' => "INSERT ON catalogue.$table REFERENCING NEW TABLE AS after", 'updated' => "UPDATE ON catalogue.$table REFERENCING OLD TABLE AS before NEW TABLE AS after", 'deleted' => "DELETE ON catalogue.$table REFERENCING OLD TABLE AS before", 'emptied' => "TRUNCATE ON catalogue.$table"] as $when => $event) {
                $this->addSql("CREATE TRIGGER changed_$when AFTER $event FOR EACH STATEMENT EXECUTE FUNCTION catalogue.note_change()");
            }
        }
        $this->addSql('DROP TABLE catalogue.version');
    }

    /** Long work, and the messages that tell workers of it (symfony/doctrine-messenger keeps these in a table of this shape). */
    private function jobs(): void
    {
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.job (
                id uuid PRIMARY KEY,
                kind text NOT NULL CHECK (kind IN ('publish', 'addresses', 'redirects')),
                person_id uuid NOT NULL,
                person text NOT NULL,
                input jsonb NOT NULL,
                file bytea,
                state text NOT NULL DEFAULT 'waiting' CHECK (state IN ('waiting', 'running', 'done', 'failed', 'stopped')),
                step text NOT NULL DEFAULT '',
                done integer NOT NULL DEFAULT 0,
                "of" integer NOT NULL DEFAULT 0,
                stop boolean NOT NULL DEFAULT false,
                outcome jsonb,
                asked_at timestamptz(0) NOT NULL DEFAULT now(),
                ended_at timestamptz(0)
            )
            SQL);
        $this->addSql("CREATE UNIQUE INDEX job_one_of_a_kind ON journal.job (kind) WHERE state IN ('waiting', 'running')");
        $this->addSql('CREATE INDEX job_ended ON journal.job (person_id, ended_at)');
        $this->addSql('CREATE TABLE journal.message (id bigserial PRIMARY KEY, body text NOT NULL, headers text NOT NULL, queue_name varchar(190) NOT NULL, created_at timestamp(0) NOT NULL, available_at timestamp(0) NOT NULL, delivered_at timestamp(0) DEFAULT NULL)');
        $this->addSql('CREATE INDEX message_next ON journal.message (queue_name, available_at, delivered_at, id)');
    }

    private function choices(): void
    {
        $this->addSql('CREATE TABLE catalogue.choice (option text NOT NULL, choice text NOT NULL, products integer NOT NULL, PRIMARY KEY (option, choice))');
        $this->addSql("COMMENT ON COLUMN catalogue.choice.option IS 'empty: choice is a tag'");
        $this->addSql(<<<'SQL'
            CREATE FUNCTION catalogue.choices_of(tags text[], options jsonb) RETURNS TABLE (option text, choice text) LANGUAGE sql IMMUTABLE AS $$
                SELECT DISTINCT '', tag FROM unnest(tags) AS tag
                UNION SELECT o.key, c.value FROM jsonb_each(options) AS o, jsonb_array_elements_text(CASE jsonb_typeof(o.value) WHEN 'array' THEN o.value ELSE '[]' END) AS c
            $$
            SQL);
        $this->addSql(<<<'SQL'
            CREATE FUNCTION catalogue.note_choices() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                IF TG_OP = 'TRUNCATE' THEN
                    DELETE FROM catalogue.choice;
                    RETURN NULL;
                END IF;
                IF TG_OP = 'INSERT' THEN
                    INSERT INTO catalogue.choice AS known SELECT c.option, c.choice, count(*) FROM after a, catalogue.choices_of(a.tags, a.options) c GROUP BY 1, 2 ORDER BY 1, 2
                    ON CONFLICT (option, choice) DO UPDATE SET products = known.products + excluded.products;
                ELSIF TG_OP = 'DELETE' THEN
                    UPDATE catalogue.choice known SET products = known.products - gone.n
                    FROM (SELECT c.option, c.choice, count(*) AS n FROM before b, catalogue.choices_of(b.tags, b.options) c GROUP BY 1, 2 ORDER BY 1, 2) gone WHERE known.option = gone.option AND known.choice = gone.choice;
                ELSE
                    INSERT INTO catalogue.choice AS known SELECT option, choice, sum(n) FROM (
                        SELECT c.option, c.choice, 1 AS n FROM (SELECT id, tags, options FROM after EXCEPT SELECT id, tags, options FROM before) a, catalogue.choices_of(a.tags, a.options) c
                        UNION ALL SELECT c.option, c.choice, -1 FROM (SELECT id, tags, options FROM before EXCEPT SELECT id, tags, options FROM after) b, catalogue.choices_of(b.tags, b.options) c
                    ) these GROUP BY 1, 2 HAVING sum(n) <> 0 ORDER BY 1, 2
                    ON CONFLICT (option, choice) DO UPDATE SET products = known.products + excluded.products;
                END IF;
                IF TG_OP <> 'INSERT' THEN
                    DELETE FROM catalogue.choice WHERE products <= 0;
                END IF;
                RETURN NULL;
            END $$
            SQL);
        foreach (['inserted' => 'INSERT ON catalogue.product REFERENCING NEW TABLE AS after', 'updated' => 'UPDATE ON catalogue.product REFERENCING OLD TABLE AS before NEW TABLE AS after', 'deleted' => 'DELETE ON catalogue.product REFERENCING OLD TABLE AS before', 'emptied' => 'TRUNCATE ON catalogue.product'] as $when => $event) {
            $this->addSql("CREATE TRIGGER choices_$when AFTER $event FOR EACH STATEMENT EXECUTE FUNCTION catalogue.note_choices()");
        }
        $this->addSql('INSERT INTO catalogue.choice SELECT c.option, c.choice, count(*) FROM catalogue.product p, catalogue.choices_of(p.tags, p.options) c GROUP BY 1, 2');
    }
}
