<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * What the search of the shop looks in: the words of every place, those of titles, of tags and of descriptions told apart; a lexicon
 * of all of them, for slips; what was looked for and not found. Triggers keep the first two in step.
 */
final class Version20261207000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'search of the shop';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE EXTENSION IF NOT EXISTS unaccent SCHEMA public');
        $this->addSql('CREATE EXTENSION IF NOT EXISTS fuzzystrmatch SCHEMA public');
        $this->addSql('CREATE TEXT SEARCH CONFIGURATION catalogue.shop (COPY = pg_catalog.simple)');
        $this->addSql('ALTER TEXT SEARCH CONFIGURATION catalogue.shop ALTER MAPPING FOR hword, hword_part, word WITH public.unaccent, pg_catalog.simple');
        $this->addSql('CREATE TABLE catalogue.lexicon (word text PRIMARY KEY, letters text NOT NULL)');
        $this->addSql('CREATE INDEX lexicon_letters ON catalogue.lexicon USING gin (word public.gin_trgm_ops)');
        $this->addSql("CREATE FUNCTION catalogue.letters_of(word text) RETURNS text LANGUAGE sql IMMUTABLE AS $$ SELECT string_agg(letter, '' ORDER BY letter COLLATE \"C\") FROM regexp_split_to_table(word, '') AS letter $$");
        $this->words();
        $this->query();
        foreach (['workbench', 'live'] as $copy) {
            $this->copy($copy);
        }
        $this->products();
        $this->addSql('CREATE TABLE journal.missed_search (words text NOT NULL, day date NOT NULL, count integer NOT NULL, PRIMARY KEY (words, day))');
        $this->addSql('CREATE INDEX missed_search_day ON journal.missed_search (day)');
        $this->addSql('DROP INDEX live.place_letters');
        $this->addSql('DROP INDEX live.place_letters_of_products');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('The search of before looked in indexes that are no longer there.');
    }

    private function words(): void
    {
        // A text that is longer than most is looked into for as far as people read.
        $this->addSql(<<<'SQL'
            CREATE FUNCTION catalogue.words_of(title text, summary text, html text, maker text, tags text[], options jsonb) RETURNS tsvector LANGUAGE sql IMMUTABLE AS $$
                SELECT setweight(to_tsvector('catalogue.shop', title), 'A')
                    || setweight(to_tsvector('catalogue.shop', COALESCE(maker, '') || ' ' || COALESCE(array_to_string(tags, ' '), '') || ' ' || COALESCE((SELECT string_agg(c.value, ' ') FROM jsonb_each(options) o, jsonb_array_elements_text(CASE jsonb_typeof(o.value) WHEN 'array' THEN o.value ELSE '[]' END) c), '')), 'B')
                    || setweight(to_tsvector('catalogue.shop', summary || ' ' || COALESCE(left(html, 30000), '')), 'C')
            $$
            SQL);
        $this->addSql(<<<'SQL'
            CREATE FUNCTION catalogue.learn(words tsvector[]) RETURNS void LANGUAGE sql AS $$
                INSERT INTO catalogue.lexicon SELECT word, catalogue.letters_of(word) FROM (
                    SELECT DISTINCT lexeme AS word FROM unnest(words) AS one, unnest(tsvector_to_array(one)) AS lexeme WHERE char_length(lexeme) BETWEEN 4 AND 40
                ) these WHERE NOT EXISTS (SELECT FROM catalogue.lexicon l WHERE l.word = these.word) ORDER BY word ON CONFLICT DO NOTHING
            $$
            SQL);
    }

    /**
     * The words of a search as those of a tsquery: `:*` is the beginning of a word as it was typed, `:@` a whole word that is forgiven.
     *
     * @see Lantern\Core\Search\Slip
     */
    private function query(): void
    {
        $this->addSql(<<<'SQL'
            CREATE FUNCTION catalogue.search_terms(asked text[], forgiving boolean) RETURNS text LANGUAGE sql STABLE AS $$
                SELECT string_agg('(' || one || ')', ' & ') FROM (
                    SELECT (SELECT string_agg(term, ' | ') FROM (
                        SELECT CAST(to_tsquery('catalogue.shop', '''' || replace(replace(word, '\', '\\'), '''', '''''') || ''':*') AS text) AS term
                        UNION ALL (
                            SELECT '''' || replace(replace(l.word, '\', '\\'), '''', '''''') || ''':@' FROM (SELECT public.unaccent(lower(word)) AS typed) t JOIN catalogue.lexicon l ON l.word OPERATOR(public.%) t.typed
                            WHERE forgiving AND char_length(t.typed) BETWEEN 5 AND 40 AND l.word <> t.typed
                            AND (public.levenshtein_less_equal(t.typed, l.word, 2) = 1 OR public.levenshtein_less_equal(t.typed, l.word, 2) = 2 AND catalogue.letters_of(t.typed) = l.letters)
                            ORDER BY l.word LIMIT 20
                        )
                    ) terms WHERE term <> '') AS one
                    FROM unnest(asked) AS word
                ) words WHERE one <> ''
            $$
            SQL);
    }

    private function copy(string $copy): void
    {
        $this->addSql("CREATE TABLE $copy.search_words (place_id uuid PRIMARY KEY, seat integer, words tsvector NOT NULL)");
        $this->addSql("COMMENT ON COLUMN $copy.search_words.seat IS 'of a product'");
        $this->addSql("CREATE INDEX search_words_found ON $copy.search_words USING gin (words)");
        $this->addSql(<<<SQL
            CREATE FUNCTION $copy.write_search_words(ids uuid[]) RETURNS void LANGUAGE plpgsql AS \$\$
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
        // By EXCEPT: a plan that was made for a few rows, and kept, would join many of them one by one.
        foreach (['place' => 'id, title, summary', 'words' => 'id, html'] as $table => $said) {
            $gone = 'place' === $table ? "DELETE FROM $copy.search_words WHERE place_id IN (SELECT id FROM before);" : "PERFORM $copy.write_search_words(ARRAY(SELECT id FROM before));";
            $this->addSql(<<<SQL
                CREATE FUNCTION $copy.note_{$table}_to_search() RETURNS trigger LANGUAGE plpgsql AS \$\$
                BEGIN
                    IF TG_OP = 'INSERT' THEN
                        PERFORM $copy.write_search_words(ARRAY(SELECT id FROM after));
                    ELSIF TG_OP = 'UPDATE' THEN
                        PERFORM $copy.write_search_words(ARRAY(SELECT id FROM (SELECT $said FROM after EXCEPT SELECT $said FROM before) changed));
                    ELSE
                        $gone
                    END IF;
                    RETURN NULL;
                END \$\$
                SQL);
            $this->triggers("$copy.$table", "$copy.note_{$table}_to_search");
        }
        $this->addSql("SELECT $copy.write_search_words(ARRAY(SELECT id FROM $copy.place))");
    }

    private function products(): void
    {
        $this->addSql(<<<'SQL'
            CREATE FUNCTION catalogue.note_product_to_search() RETURNS trigger LANGUAGE plpgsql AS $$
            DECLARE
                ids uuid[];
            BEGIN
                IF TG_OP = 'INSERT' THEN
                    ids := ARRAY(SELECT id FROM after);
                ELSIF TG_OP = 'UPDATE' THEN
                    ids := ARRAY(SELECT id FROM (SELECT id, maker, tags, options FROM after EXCEPT SELECT id, maker, tags, options FROM before) changed);
                    UPDATE workbench.search_words s SET seat = a.seat FROM (SELECT id, seat FROM after EXCEPT SELECT id, seat FROM before) a WHERE s.place_id = a.id;
                    UPDATE live.search_words s SET seat = a.seat FROM (SELECT id, seat FROM after EXCEPT SELECT id, seat FROM before) a WHERE s.place_id = a.id;
                ELSE
                    ids := ARRAY(SELECT id FROM before);
                END IF;
                PERFORM workbench.write_search_words(ids);
                PERFORM live.write_search_words(ids);
                RETURN NULL;
            END $$
            SQL);
        $this->triggers('catalogue.product', 'catalogue.note_product_to_search');
    }

    private function triggers(string $table, string $function): void
    {
        foreach (['inserted' => 'INSERT ON %s REFERENCING NEW TABLE AS after', 'updated' => 'UPDATE ON %s REFERENCING OLD TABLE AS before NEW TABLE AS after', 'deleted' => 'DELETE ON %s REFERENCING OLD TABLE AS before'] as $when => $event) {
            $this->addSql("CREATE TRIGGER search_$when AFTER ".\sprintf($event, $table)." FOR EACH STATEMENT EXECUTE FUNCTION $function()");
        }
    }
}
