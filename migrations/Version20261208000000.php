<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * What is wrong in each copy of the shop. `due` names what changed since it was looked at, `examined` what each look depended on,
 * `finding` what was found. The keys are those of Lantern\Core\Finding\DependencyKey.
 */
final class Version20261208000000 extends AbstractMigration
{
    /** More changed rows than these in one statement, and everything is looked at again. */
    private const MOST = 20_000;

    public function getDescription(): string
    {
        return 'what is wrong in the shop';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE journal.due (id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY, copy text NOT NULL, subject text, keys text[] NOT NULL, person text NOT NULL, at timestamptz NOT NULL DEFAULT now())');
        $this->addSql('CREATE INDEX due_copy ON journal.due (copy)');
        $this->addSql('CREATE TABLE journal.examined (copy text NOT NULL, subject text NOT NULL, reaches bigint[] NOT NULL, leads uuid[] NOT NULL, again_at timestamptz, PRIMARY KEY (copy, subject))');
        $this->addSql('CREATE INDEX examined_reaches ON journal.examined USING gin (reaches) WITH (fastupdate = off)');
        $this->addSql('CREATE INDEX examined_leads ON journal.examined USING gin (leads) WITH (fastupdate = off)');
        $this->addSql('CREATE INDEX examined_again ON journal.examined (again_at) WHERE again_at IS NOT NULL');
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.finding (
                copy text NOT NULL, id text NOT NULL, examined text NOT NULL, kind text NOT NULL, broken boolean NOT NULL,
                subject_type text NOT NULL, subject_id text NOT NULL, name text NOT NULL, within text NOT NULL, place text NOT NULL,
                details jsonb NOT NULL, met text[] NOT NULL, says text NOT NULL, visits integer NOT NULL, since timestamptz NOT NULL, person text NOT NULL,
                PRIMARY KEY (copy, id)
            )
            SQL);
        $this->addSql("COMMENT ON COLUMN journal.finding.place IS 'what people know the menu or page by in which the subject stands'");
        $this->addSql('CREATE INDEX finding_examined ON journal.finding (copy, examined)');
        $this->addSql('CREATE INDEX finding_kind ON journal.finding (copy, kind, visits DESC, id)');
        $this->addSql("CREATE INDEX finding_within ON journal.finding (within, copy) WHERE within <> ''");
        $this->addSql('CREATE INDEX finding_subject ON journal.finding (subject_id, copy)');
        $this->addSql('CREATE TABLE journal.look (copy text PRIMARY KEY, whole_at timestamptz, caught_at timestamptz, asked_at timestamptz, done integer NOT NULL DEFAULT 0, "of" integer NOT NULL DEFAULT 0)');
        $this->addSql("INSERT INTO journal.look (copy) VALUES ('workbench'), ('live')");
        $this->addSql("COMMENT ON COLUMN journal.look.whole_at IS 'when the copy was looked over as a whole the last time'");
        $this->addSql("COMMENT ON COLUMN journal.look.caught_at IS 'until when dates that passed are told of'");
        $this->addSql("ALTER TABLE journal.job DROP CONSTRAINT job_kind_check, ADD CONSTRAINT job_kind_check CHECK (kind IN ('publish', 'addresses', 'redirects', 'outside'))");
        $this->addSql('ALTER TABLE journal.person ADD morning_mail boolean NOT NULL DEFAULT false, ADD morning_mail_on date');
        $this->addSql('CREATE TABLE journal.crawl (copy text PRIMARY KEY, at timestamptz NOT NULL, pages integer NOT NULL, links integer NOT NULL, broken integer NOT NULL, faults jsonb NOT NULL)');
        $this->addSql("COMMENT ON TABLE journal.crawl IS 'the last walk over the rendered shop: what it found broken, and of that what nobody knew'");
        $this->addSql('CREATE TABLE journal.set_aside (finding_id text PRIMARY KEY, reason text NOT NULL, person text NOT NULL, until timestamptz, at timestamptz NOT NULL)');
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.outside_answer (
                url text PRIMARY KEY, status integer, moved text, secure boolean NOT NULL DEFAULT false, away_days integer NOT NULL DEFAULT 0, away_on date,
                why text NOT NULL DEFAULT '', asked_at timestamptz, again_at timestamptz NOT NULL DEFAULT now()
            )
            SQL);
        $this->addSql("CREATE INDEX release_row_entry ON journal.release_row (row_id) WHERE table_name = 'entry'");
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql("CREATE INDEX place_listed_title ON $copy.place ((COALESCE(NULLIF(listing_title, ''), title)), id)");
        }
        $this->addSql("COMMENT ON COLUMN journal.outside_answer.status IS 'null: nobody has asked yet; 0: no answer came'");
        $this->addSql('CREATE INDEX outside_answer_again ON journal.outside_answer (again_at)');
        $this->functions();
        foreach (['workbench', 'live'] as $copy) {
            foreach (['place', 'words', 'entry', 'menu', 'bay', 'setting', 'redirect', 'pick'] as $table) {
                $this->triggers("$copy.$table");
            }
        }
        foreach (['catalogue.standing', 'catalogue.product', 'journal.outside_mention', 'journal.outside_answer'] as $table) {
            $this->triggers($table);
        }
    }

    public function down(Schema $schema): void
    {
        foreach (['workbench', 'live'] as $copy) {
            foreach (['place', 'words', 'entry', 'menu', 'bay', 'setting', 'redirect', 'pick'] as $table) {
                $this->withoutTriggers("$copy.$table");
            }
        }
        foreach (['catalogue.standing', 'catalogue.product', 'journal.outside_mention'] as $table) {
            $this->withoutTriggers($table);
        }
        $this->addSql('ALTER TABLE journal.person DROP morning_mail, DROP morning_mail_on');
        $this->addSql("DELETE FROM journal.job WHERE kind = 'outside'");
        $this->addSql("ALTER TABLE journal.job DROP CONSTRAINT job_kind_check, ADD CONSTRAINT job_kind_check CHECK (kind IN ('publish', 'addresses', 'redirects'))");
        foreach (['outside_answer', 'crawl', 'set_aside', 'look', 'finding', 'examined', 'due'] as $table) {
            $this->addSql("DROP TABLE journal.$table");
        }
        $this->addSql('DROP INDEX journal.release_row_entry');
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql("DROP INDEX $copy.place_listed_title");
        }
        $this->addSql('DROP FUNCTION journal.note_due()');
        $this->addSql('DROP FUNCTION journal.keys_of_place(uuid, text, text, uuid, text)');
    }

    private function functions(): void
    {
        $most = self::MOST;
        $this->addSql(<<<'SQL'
            CREATE FUNCTION journal.keys_of_place(place uuid, address text, title text, parent uuid, kind text) RETURNS text[] LANGUAGE sql STABLE AS $$
                SELECT ARRAY['p:' || place, 'a:' || address, 't:' || title, 'd']
                    || CASE WHEN parent IS NULL THEN '{}' ELSE ARRAY['c:' || parent] END
                    || CASE WHEN kind IN ('category', 'collection') THEN ARRAY['c:' || place] WHEN kind IN ('product', 'file') THEN ARRAY['k'] ELSE '{}' END
                    || CASE WHEN kind = 'product' THEN ARRAY(
                        SELECT 'c:' || s.category_id FROM catalogue.standing s WHERE s.product_id = place
                        UNION SELECT 'c:' || c.collection_id FROM workbench.pick c WHERE c.product_id = place
                        UNION SELECT 'c:' || c.collection_id FROM live.pick c WHERE c.product_id = place
                    ) ELSE '{}' END
            $$
            SQL);
        // What is told of each table: its subject, if it is one, and the keys of what it is.
        $title = "COALESCE(NULLIF(r.listing_title, ''), r.title)";
        $said = [
            'place' => ["'place:' || r.id", "journal.keys_of_place(r.id, r.address, $title, r.parent_id, r.kind)"],
            'words' => ["'words:' || r.id", "ARRAY['w:' || r.id]"],
            'entry' => ["'menu:' || r.menu_id", "ARRAY['m:' || r.menu_id, CASE WHEN r.on_page IS NULL THEN 'f' ELSE 'd' END]"],
            'menu' => ["'menu:' || r.id", "ARRAY['m:' || r.id, 'f']"],
            'bay' => ['NULL', "ARRAY['f'] || CASE WHEN r.menu_id IS NULL THEN ARRAY[]::text[] ELSE ARRAY['m:' || r.menu_id] END"],
            'setting' => ['NULL', "ARRAY['s', 's:' || r.id, 'f']"],
            'redirect' => ["'redirect:' || r.id", "ARRAY[CASE WHEN r.is_prefix THEN 'x:' ELSE 'a:' END || r.source]"],
            'pick' => ['NULL', "ARRAY['c:' || r.collection_id, 'd']"],
            'standing' => ['NULL', "ARRAY['c:' || r.category_id, 'd']"],
            'product' => ['NULL', "ARRAY['k', 'd']"],
            'outside_mention' => ["'mention:' || r.id", 'ARRAY[]::text[]'],
            'outside_answer' => ['NULL', "ARRAY['o:' || r.url]"],
        ];
        $cases = implode("\n", array_map(static fn (string $table, array $one): string => \sprintf('WHEN %s THEN said := %s; keys := %s;', "'$table'", "'".str_replace("'", "''", $one[0])."'", "'".str_replace("'", "''", $one[1])."'"), array_keys($said), $said));
        $this->addSql(<<<SQL
            CREATE FUNCTION journal.note_due() RETURNS trigger LANGUAGE plpgsql AS \$\$
            DECLARE
                said text; keys text; changed text;
                who text := COALESCE(current_setting('lantern.person', true), '');
                copies text[] := CASE WHEN TG_TABLE_SCHEMA IN ('workbench', 'live') THEN ARRAY[TG_TABLE_SCHEMA::text] ELSE ARRAY['workbench', 'live'] END;
            BEGIN
                CASE TG_TABLE_NAME
                {$cases}
                END CASE;
                changed := CASE TG_OP WHEN 'INSERT' THEN 'SELECT * FROM after' WHEN 'DELETE' THEN 'SELECT * FROM before' ELSE 'SELECT * FROM before UNION ALL SELECT * FROM after' END;
                IF TG_TABLE_NAME = 'outside_answer' THEN
                    changed := format('SELECT * FROM (%s) r WHERE status IS NOT NULL', changed);
                END IF;
                -- Too many are told of as one: everything.
                EXECUTE format('WITH r AS (%s), much AS (SELECT count(*) > $most AS is FROM r)
                    INSERT INTO journal.due (copy, subject, keys, person) SELECT copy, said, COALESCE(array_agg(DISTINCT key) FILTER (WHERE key IS NOT NULL), ''{}''), %L
                    FROM (SELECT CASE WHEN much.is THEN ''*'' ELSE %s END AS said, key FROM r CROSS JOIN much LEFT JOIN LATERAL unnest(CASE WHEN much.is THEN ''{}'' ELSE %s END) AS key ON true) one, unnest(%L::text[]) copy GROUP BY copy, said', changed, who, said, keys, copies);
                RETURN NULL;
            END \$\$
            SQL);
    }

    private function triggers(string $table): void
    {
        $this->addSql("CREATE TRIGGER due_inserted AFTER INSERT ON $table REFERENCING NEW TABLE AS after FOR EACH STATEMENT EXECUTE FUNCTION journal.note_due()");
        $this->addSql("CREATE TRIGGER due_updated AFTER UPDATE ON $table REFERENCING OLD TABLE AS before NEW TABLE AS after FOR EACH STATEMENT EXECUTE FUNCTION journal.note_due()");
        $this->addSql("CREATE TRIGGER due_deleted AFTER DELETE ON $table REFERENCING OLD TABLE AS before FOR EACH STATEMENT EXECUTE FUNCTION journal.note_due()");
    }

    private function withoutTriggers(string $table): void
    {
        foreach (['inserted', 'updated', 'deleted'] as $when) {
            $this->addSql("DROP TRIGGER due_$when ON $table");
        }
    }
}
