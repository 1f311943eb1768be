<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * What filters count with. Each product has a seat, a number from 0 on; each choice has a posting, a row of bits with one for each
 * seat whose product it finds; the price has a posting for each of its binary digits (P. O'Neil and D. Quass, "Improved query
 * performance with variant indexes", 1997). Triggers keep all of it in step with what they come from, in the same transaction.
 */
final class Version20261206000000 extends AbstractMigration
{
    private const STATEMENTS = [
        'inserted' => 'INSERT ON %s REFERENCING NEW TABLE AS after',
        'updated' => 'UPDATE ON %s REFERENCING OLD TABLE AS before NEW TABLE AS after',
        'deleted' => 'DELETE ON %s REFERENCING OLD TABLE AS before',
    ];
    /** @see Lantern\Core\Filter\Filter::key() for what the postings of filters are called; these are of no filter */
    private const OF_PRODUCT = 'f.seat, posting.filter, posting.choice FROM %s f, catalogue.postings_of(f.maker, f.tags, f.options, f.stock, f.price, f.reduced_from, f.featured) posting';
    private const OF_STANDING = "f.seat, 'category' AS filter, CAST(s.category_id AS text) AS choice FROM %s s JOIN catalogue.product f ON f.id = s.product_id";
    private const OF_PLACE = "f.seat, 'shown' AS filter, p.audience AS choice FROM %s p JOIN catalogue.product f ON f.id = p.id WHERE p.kind = 'product' AND p.light = 'open' AND p.opens_on IS NULL AND p.closes_on IS NULL";

    public function getDescription(): string
    {
        return 'filters of listings';
    }

    public function up(Schema $schema): void
    {
        foreach (['inserted', 'updated', 'deleted', 'emptied'] as $when) {
            $this->addSql("DROP TRIGGER choices_$when ON catalogue.product");
        }
        $this->addSql('DROP FUNCTION catalogue.note_choices()');
        $this->addSql('DROP FUNCTION catalogue.choices_of(text[], jsonb)');
        $this->addSql('DROP TABLE catalogue.choice');
        $this->seats();
        $this->bits();
        $this->prices();
        $this->titles();
        $this->triggers();
        $this->shown();
        $this->addSql('SELECT catalogue.rebuild_postings()');
        $this->narrowings();
        $this->changes();
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('What was narrowed by several choices cannot be said in the words of before.');
    }

    private function seats(): void
    {
        $this->addSql('CREATE SEQUENCE catalogue.next_seat AS integer MINVALUE 0');
        $this->addSql("ALTER TABLE catalogue.product ADD seat integer NOT NULL DEFAULT nextval('catalogue.next_seat')");
        // One statement gives them all new numbers, among which each is free only at its end.
        $this->addSql('ALTER TABLE catalogue.product ADD CONSTRAINT product_seat UNIQUE (seat) DEFERRABLE INITIALLY IMMEDIATE');
        $this->addSql('DROP INDEX catalogue.product_price');
        $this->addSql('CREATE INDEX product_price ON catalogue.product (price, id) INCLUDE (seat)');
        $this->addSql('DROP INDEX catalogue.product_new');
        $this->addSql('CREATE INDEX product_new ON catalogue.product (new_since DESC, id) INCLUDE (seat)');
        $this->addSql('CREATE TABLE catalogue.posting (filter text NOT NULL, choice text NOT NULL, seats varbit NOT NULL, PRIMARY KEY (filter, choice))');
        // They are read whole all the time, and pressing bits together gains little.
        $this->addSql('ALTER TABLE catalogue.posting ALTER seats SET STORAGE EXTERNAL');
        $this->addSql('CREATE TABLE catalogue.room (id boolean PRIMARY KEY DEFAULT true CHECK (id), none varbit NOT NULL)');
        $this->addSql("COMMENT ON COLUMN catalogue.room.none IS 'a bit for every seat there is room for, none of them set; all postings are as long'");
        $this->addSql("INSERT INTO catalogue.room (none) VALUES (CAST(repeat('0', 1024) AS varbit))");
        $this->addSql(<<<'SQL'
            CREATE FUNCTION catalogue.make_room() RETURNS void LANGUAGE plpgsql AS $$
            DECLARE
                needed CONSTANT integer := (SELECT COALESCE(max(seat), 0) + 1 FROM catalogue.product);
                room integer := (SELECT length(none) FROM catalogue.room);
                more varbit;
            BEGIN
                IF needed <= room THEN
                    RETURN;
                END IF;
                SELECT length(none) INTO room FROM catalogue.room FOR UPDATE;
                IF needed <= room THEN
                    RETURN;
                END IF;
                more := CAST(repeat('0', (greatest(needed, room * 3 / 2) + 1023) / 1024 * 1024 - room) AS varbit);
                UPDATE catalogue.posting SET seats = seats || more;
                UPDATE catalogue.room SET none = none || more;
            END $$
            SQL);
    }

    /** In plpgsql, which plans what it does once for a session. */
    private function bits(): void
    {
        $this->addSql(<<<'SQL'
            CREATE FUNCTION catalogue.bits_of(taken integer[], room integer) RETURNS varbit LANGUAGE plpgsql IMMUTABLE PARALLEL SAFE AS $$
            BEGIN
                RETURN (SELECT CAST('x' || COALESCE(string_agg(repeat('00', byte - before - 1) || lpad(to_hex(bits), 2, '0'), '' ORDER BY byte), '') || repeat('00', room / 8 - COALESCE(max(byte), -1) - 1) AS varbit)
                FROM (SELECT byte, bits, lag(byte, 1, -1) OVER (ORDER BY byte) AS before FROM (SELECT seat / 8 AS byte, bit_or(128 >> seat % 8) AS bits FROM unnest(taken) AS seat GROUP BY 1) AS bytes) AS gaps);
            END $$
            SQL);
        $this->addSql(<<<'SQL'
            CREATE FUNCTION catalogue.seats_in(bits varbit) RETURNS SETOF integer LANGUAGE plpgsql IMMUTABLE PARALLEL SAFE ROWS 500 AS $$
            BEGIN
                RETURN QUERY SELECT byte * 8 + nth
                FROM generate_series(0, length(bits) / 64 - 1) AS word, generate_series(word * 8, word * 8 + 7) AS byte, generate_series(0, 7) AS nth
                WHERE bit_count(substring(bits FROM word * 64 + 1 FOR 64)) > 0 AND bit_count(substring(bits FROM byte * 8 + 1 FOR 8)) > 0 AND get_bit(bits, byte * 8 + nth) = 1;
            END $$
            SQL);
        $this->addSql(<<<'SQL'
            CREATE FUNCTION catalogue.postings_of(maker text, tags text[], options jsonb, stock integer, price integer, reduced_from integer, featured boolean) RETURNS TABLE (filter text, choice text) LANGUAGE sql IMMUTABLE AS $$
                SELECT 'maker', maker WHERE maker <> ''
                UNION ALL SELECT DISTINCT 'tag', tag FROM unnest(tags) AS tag
                UNION ALL SELECT DISTINCT 'option.' || o.key, c.value FROM jsonb_each(options) AS o, jsonb_array_elements_text(CASE jsonb_typeof(o.value) WHEN 'array' THEN o.value ELSE '[]' END) AS c
                UNION ALL SELECT 'in-stock', 'yes' WHERE stock > 0
                UNION ALL SELECT 'price', lpad(CAST(digit AS text), 2, '0') FROM generate_series(0, 30) AS digit WHERE price & (1 << digit) <> 0
                UNION ALL SELECT 'rule', 'all'
                UNION ALL SELECT 'rule', 'reduced' WHERE reduced_from IS NOT NULL
                UNION ALL SELECT 'rule', 'featured' WHERE featured
            $$
            SQL);
    }

    private function prices(): void
    {
        $this->addSql(<<<'SQL'
            CREATE FUNCTION catalogue.priced_up_to(most integer) RETURNS varbit LANGUAGE plpgsql STABLE AS $$
            DECLARE
                none CONSTANT varbit := (SELECT room.none FROM catalogue.room);
                below varbit := none;
                same varbit := ~none;
                digit record;
            BEGIN
                FOR digit IN SELECT nth, seats FROM generate_series(30, 0, -1) AS nth LEFT JOIN catalogue.posting ON filter = 'price' AND choice = lpad(CAST(nth AS text), 2, '0') ORDER BY nth DESC LOOP
                    IF most & (1 << digit.nth) <> 0 THEN
                        below := below | (same & ~COALESCE(digit.seats, none));
                        same := same & COALESCE(digit.seats, none);
                    ELSIF digit.seats IS NOT NULL THEN
                        same := same & ~digit.seats;
                    END IF;
                END LOOP;
                RETURN below | same;
            END $$
            SQL);
        $this->addSql(<<<'SQL'
            CREATE FUNCTION catalogue.price_at_end(among varbit, highest boolean) RETURNS integer LANGUAGE plpgsql STABLE AS $$
            DECLARE
                price integer := 0;
                digit record;
                further varbit;
            BEGIN
                IF bit_count(among) = 0 THEN
                    RETURN NULL;
                END IF;
                FOR digit IN SELECT CAST(choice AS integer) AS nth, seats FROM catalogue.posting WHERE filter = 'price' ORDER BY choice DESC LOOP
                    further := among & CASE WHEN highest THEN digit.seats ELSE ~digit.seats END;
                    IF bit_count(further) > 0 THEN
                        among := further;
                    END IF;
                    IF (bit_count(further) > 0) = highest THEN
                        price := price | (1 << digit.nth);
                    END IF;
                END LOOP;
                RETURN price;
            END $$
            SQL);
    }

    /** The titles of products in their order, with nothing beside them: a long listing is walked in it until a page is full. */
    private function titles(): void
    {
        $this->addSql('CREATE TABLE live.product_title (product_id uuid PRIMARY KEY, seat integer NOT NULL, title text NOT NULL)');
        $this->addSql('CREATE INDEX product_title_seat ON live.product_title (seat)');
        $this->addSql('CREATE INDEX product_title_order ON live.product_title (title, product_id) INCLUDE (seat)');
        $this->addSql("CREATE VIEW workbench.product_title AS SELECT p.id AS product_id, f.seat, p.title FROM workbench.place p JOIN catalogue.product f ON f.id = p.id WHERE p.kind = 'product'");
    }

    private function triggers(): void
    {
        $this->trigger('catalogue.product', 'note_product', self::OF_PRODUCT, inserted: \sprintf(<<<'SQL'
            %s
            INSERT INTO live.product_title SELECT p.id, f.seat, p.title FROM after f JOIN live.place p ON p.id = f.id AND p.kind = 'product' ON CONFLICT DO NOTHING;
            SQL, self::come('SELECT '.\sprintf(self::OF_PRODUCT, 'after').' UNION ALL SELECT '.\sprintf(self::OF_STANDING, 'catalogue.standing').' WHERE f.id IN (SELECT id FROM after) UNION ALL SELECT '.\sprintf(self::OF_PLACE, 'live.place').' AND f.id IN (SELECT id FROM after)')), deleted: \sprintf(<<<'SQL'
            %s
            DELETE FROM live.product_title WHERE product_id IN (SELECT id FROM before);
            SQL, self::go('SELECT b.seat, p.filter, p.choice FROM before b JOIN catalogue.posting p ON get_bit(p.seats, b.seat) = 1')));
        $this->trigger('catalogue.standing', 'note_standing', self::OF_STANDING);
        $this->trigger('live.place', 'note_place', self::OF_PLACE,
            inserted: self::come('SELECT '.\sprintf(self::OF_PLACE, 'after'))."INSERT INTO live.product_title SELECT p.id, f.seat, p.title FROM after p JOIN catalogue.product f ON f.id = p.id WHERE p.kind = 'product' ON CONFLICT (product_id) DO UPDATE SET title = excluded.title;",
            updated: self::differ(self::OF_PLACE)."UPDATE live.product_title t SET title = p.title FROM after p WHERE p.id = t.product_id AND p.kind = 'product' AND p.title <> t.title;",
            deleted: self::go('SELECT '.\sprintf(self::OF_PLACE, 'before'))."DELETE FROM live.product_title WHERE product_id IN (SELECT id FROM before WHERE kind = 'product');",
        );
        foreach (['catalogue.product', 'catalogue.standing', 'live.place'] as $table) {
            $this->addSql(\sprintf('CREATE TRIGGER postings_emptied AFTER TRUNCATE ON %s FOR EACH STATEMENT EXECUTE FUNCTION catalogue.note_emptied()', $table));
        }
    }

    private function trigger(string $table, string $function, string $of, ?string $inserted = null, ?string $updated = null, ?string $deleted = null): void
    {
        if ('catalogue.product' === $table) {
            $this->rebuild();
        }
        $bodies = [
            'INSERT' => $inserted ?? self::come('SELECT '.\sprintf($of, 'after')),
            'UPDATE' => $updated ?? self::differ($of),
            'DELETE' => $deleted ?? self::go('SELECT '.\sprintf($of, 'before')),
        ];
        $this->addSql(<<<SQL
            CREATE FUNCTION catalogue.$function() RETURNS trigger LANGUAGE plpgsql AS \$\$
            DECLARE
                room integer;
                lost text[];
            BEGIN
                IF current_setting('lantern.rebuilding', true) = 'yes' THEN
                    RETURN NULL;
                END IF;
                PERFORM catalogue.make_room();
                SELECT length(none) INTO room FROM catalogue.room;
                IF TG_OP = 'INSERT' THEN
                    {$bodies['INSERT']}
                ELSIF TG_OP = 'UPDATE' THEN
                    {$bodies['UPDATE']}
                ELSE
                    {$bodies['DELETE']}
                END IF;
                DELETE FROM catalogue.posting WHERE filter = ANY (lost) AND bit_count(seats) = 0;
                RETURN NULL;
            END \$\$
            SQL);
        foreach (self::STATEMENTS as $when => $event) {
            $this->addSql("CREATE TRIGGER postings_$when AFTER ".\sprintf($event, $table)." FOR EACH STATEMENT EXECUTE FUNCTION catalogue.$function()");
        }
    }

    /** @param string $of a query for seats, filters and choices that are to be found from now on */
    private static function come(string $of): string
    {
        return "INSERT INTO catalogue.posting AS known (filter, choice, seats) SELECT filter, choice, catalogue.bits_of(array_agg(seat), room) FROM ($of) come GROUP BY 1, 2 ORDER BY 1, 2 ON CONFLICT (filter, choice) DO UPDATE SET seats = known.seats | excluded.seats;";
    }

    /** @param string $of a query for seats, filters and choices that are found no longer */
    private static function go(string $of): string
    {
        return <<<SQL
            WITH gone AS (SELECT filter, choice, catalogue.bits_of(array_agg(seat), room) AS seats FROM ($of) go GROUP BY 1, 2 ORDER BY 1, 2),
            less AS (UPDATE catalogue.posting known SET seats = known.seats & ~gone.seats FROM gone WHERE known.filter = gone.filter AND known.choice = gone.choice RETURNING known.filter)
            SELECT array_agg(DISTINCT filter) INTO lost FROM less;
            SQL;
    }

    private static function differ(string $of): string
    {
        [$before, $after] = ['SELECT '.\sprintf($of, 'before'), 'SELECT '.\sprintf($of, 'after')];

        return self::go("($before) EXCEPT ($after)").self::come("($after) EXCEPT ($before)");
    }

    private function rebuild(): void
    {
        $of = implode(' UNION ALL SELECT ', [\sprintf(self::OF_PRODUCT, 'catalogue.product'), \sprintf(self::OF_STANDING, 'catalogue.standing'), \sprintf(self::OF_PLACE, 'live.place')]);
        $this->addSql(<<<SQL
            CREATE FUNCTION catalogue.rebuild_postings() RETURNS void LANGUAGE plpgsql AS \$\$
            BEGIN
                PERFORM set_config('lantern.rebuilding', 'yes', true);
                LOCK TABLE catalogue.product, catalogue.standing, live.place IN SHARE ROW EXCLUSIVE MODE;
                UPDATE catalogue.product f SET seat = numbered.seat FROM (SELECT id, row_number() OVER (ORDER BY new_since, id) - 1 AS seat FROM catalogue.product) numbered WHERE numbered.id = f.id AND numbered.seat <> f.seat;
                PERFORM setval('catalogue.next_seat', (SELECT COALESCE(max(seat), 0) + 1 FROM catalogue.product), (SELECT count(*) = 0 FROM catalogue.product));
                DELETE FROM catalogue.posting;
                UPDATE catalogue.room SET none = CAST(repeat('0', (SELECT (COALESCE(max(seat), 0) * 5 / 4 + 1024) / 1024 * 1024 FROM catalogue.product)) AS varbit);
                INSERT INTO catalogue.posting (filter, choice, seats) SELECT filter, choice, catalogue.bits_of(array_agg(seat), length(none)) FROM (SELECT $of) found, catalogue.room GROUP BY 1, 2, none;
                DELETE FROM live.product_title;
                INSERT INTO live.product_title SELECT p.id, f.seat, p.title FROM live.place p JOIN catalogue.product f ON f.id = p.id WHERE p.kind = 'product';
                PERFORM set_config('lantern.rebuilding', 'no', true);
            END \$\$
            SQL);
        $this->addSql(<<<'SQL'
            CREATE FUNCTION catalogue.note_emptied() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                PERFORM catalogue.rebuild_postings();
                RETURN NULL;
            END $$
            SQL);
    }

    /** Which products the visitors of an audience are shown whatever the date: in live as it is kept, on the workbench with what was touched since. */
    private function shown(): void
    {
        $this->addSql("CREATE VIEW live.shown AS SELECT choice AS audience, seats FROM catalogue.posting WHERE filter = 'shown'");
        $this->addSql(<<<'SQL'
            CREATE VIEW workbench.shown AS
            WITH touched AS MATERIALIZED (SELECT f.id, f.seat FROM journal.touched t JOIN catalogue.product f ON f.id = CAST(t.row_id AS uuid) WHERE t.table_name = 'place'),
            shown AS MATERIALIZED (SELECT t.seat, p.audience FROM touched t JOIN workbench.place p ON p.id = t.id WHERE p.light = 'open' AND p.opens_on IS NULL AND p.closes_on IS NULL)
            SELECT known.audience, (COALESCE(live.seats, room.none) & ~catalogue.bits_of((SELECT array_agg(seat) FROM touched), length(room.none))) | catalogue.bits_of((SELECT array_agg(seat) FROM shown WHERE shown.audience = known.audience), length(room.none)) AS seats
            FROM catalogue.room, (VALUES ('everyone'), ('guests'), ('customers')) AS known (audience) LEFT JOIN live.shown live ON live.audience = known.audience
            SQL);
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql("CREATE INDEX place_dated_product ON $copy.place (id) WHERE kind = 'product' AND (opens_on IS NOT NULL OR closes_on IS NOT NULL)");
            $this->addSql("ALTER TABLE $copy.place ADD filters text NOT NULL DEFAULT ''");
        }
        // Whether a menu shows products: asked for with every page that is made.
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql("CREATE INDEX entry_showing_products ON $copy.entry (id) WHERE on_page IS NULL AND (filling IS NOT NULL OR piece ->> 'kind' IN ('products', 'product'))");
        }
        $this->addSql("CREATE INDEX place_own_filters ON workbench.place (title, id) WHERE filters <> ''");
    }

    /** What filters count by changes listings, though none of the products they begin with changed: `l:facts`, and `l:` with each category. */
    private function changes(): void
    {
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
                            UNION SELECT unnest(ARRAY['l:facts', 'l:' || s.category_id]) FROM (
                                SELECT id, maker, tags, options, price, stock > 0 FROM after EXCEPT SELECT id, maker, tags, options, price, stock > 0 FROM before
                            ) counted LEFT JOIN catalogue.standing s ON s.product_id = counted.id
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
    }

    /** What was narrowed by one tag and one option is written as what is narrowed by several. */
    private function narrowings(): void
    {
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql(<<<SQL
                UPDATE $copy.entry SET narrowing = jsonb_build_object(
                    'choices', CASE WHEN narrowing ->> 'tag' <> '' THEN jsonb_build_object('tag', jsonb_build_array(narrowing -> 'tag')) ELSE '{}' END
                        || CASE WHEN narrowing ->> 'option' <> '' THEN jsonb_build_object('option.' || (narrowing ->> 'option'), jsonb_build_array(narrowing -> 'choice')) ELSE '{}' END,
                    'priceFrom', narrowing -> 'priceFrom', 'priceTo', narrowing -> 'priceTo', 'inStock', COALESCE(narrowing -> 'inStock', 'false')
                ) WHERE narrowing IS NOT NULL AND NOT jsonb_exists(narrowing, 'choices')
                SQL);
        }
    }
}
