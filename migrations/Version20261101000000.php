<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** The two copies from one definition, the catalogue of the product system, and the journal. */
final class Version20261101000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'workbench and live, catalogue, journal';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE SCHEMA catalogue');
        $this->addSql('CREATE SCHEMA journal');
        foreach (['workbench', 'live'] as $copy) {
            $this->copy($copy);
        }
        $this->catalogue();
        $this->journal();
        $this->trackTouchedRows();
    }

    public function down(Schema $schema): void
    {
        foreach (['workbench', 'live', 'catalogue', 'journal'] as $name) {
            $this->addSql("DROP SCHEMA $name CASCADE");
        }
    }

    private function copy(string $copy): void
    {
        $this->addSql("CREATE SCHEMA $copy");
        // A place may swap addresses with another in one publish, so uniqueness is checked at its end.
        $this->addSql(<<<SQL
            CREATE TABLE $copy.place (
                id uuid PRIMARY KEY,
                kind text NOT NULL,
                title text NOT NULL CHECK (char_length(title) BETWEEN 1 AND 200),
                address text COLLATE "C" NOT NULL,
                parent_id uuid,
                position integer NOT NULL DEFAULT 0,
                summary text NOT NULL DEFAULT '',
                picture text,
                light text NOT NULL DEFAULT 'open' CHECK (light IN ('open', 'quiet', 'closed')),
                opens_on timestamptz(0),
                closes_on timestamptz(0) CHECK (closes_on > opens_on),
                audience text NOT NULL DEFAULT 'everyone' CHECK (audience IN ('everyone', 'guests', 'customers')),
                closed_answer text NOT NULL DEFAULT 'not-found' CHECK (closed_answer IN ('not-found', 'gone', 'elsewhere')),
                closed_to uuid,
                listed boolean NOT NULL DEFAULT true,
                listing_title text NOT NULL DEFAULT '',
                listing_description text NOT NULL DEFAULT '',
                rule jsonb,
                file jsonb,
                published_on date,
                version integer NOT NULL DEFAULT 1,
                changed_at timestamptz(0) NOT NULL DEFAULT now(),
                changed_by text NOT NULL DEFAULT '',
                CONSTRAINT place_address_once UNIQUE (address) DEFERRABLE INITIALLY IMMEDIATE
            )
            SQL);
        $this->addSql("CREATE INDEX place_parent ON $copy.place (parent_id, position, id)");
        $this->addSql("CREATE INDEX place_kind_title ON $copy.place (kind, title, id)");
        $this->addSql("CREATE INDEX place_title ON $copy.place (title, id)");
        $this->addSql("CREATE INDEX place_below ON $copy.place (address text_pattern_ops)");
        $this->addSql("CREATE TABLE $copy.words (id uuid PRIMARY KEY, html text NOT NULL)");
        $this->addSql(<<<SQL
            CREATE TABLE $copy.pick (
                id uuid PRIMARY KEY,
                collection_id uuid NOT NULL,
                product_id uuid NOT NULL,
                position integer NOT NULL DEFAULT 0,
                CONSTRAINT pick_once UNIQUE (collection_id, product_id) DEFERRABLE INITIALLY IMMEDIATE
            )
            SQL);
        $this->addSql(<<<SQL
            CREATE TABLE $copy.menu (
                id uuid PRIMARY KEY,
                name text NOT NULL CHECK (char_length(name) BETWEEN 1 AND 200),
                position integer NOT NULL DEFAULT 0,
                version integer NOT NULL DEFAULT 1,
                changed_at timestamptz(0) NOT NULL DEFAULT now(),
                changed_by text NOT NULL DEFAULT ''
            )
            SQL);
        $this->addSql(<<<SQL
            CREATE TABLE $copy.entry (
                id uuid PRIMARY KEY,
                menu_id uuid NOT NULL,
                parent_id uuid,
                position integer NOT NULL,
                label text CHECK (char_length(label) BETWEEN 1 AND 200),
                target_kind text NOT NULL CHECK (target_kind IN ('place', 'outside', 'contact', 'heading')),
                place_id uuid,
                part text NOT NULL DEFAULT '',
                uri text NOT NULL DEFAULT '',
                enabled boolean NOT NULL DEFAULT true,
                audience text NOT NULL DEFAULT 'everyone' CHECK (audience IN ('everyone', 'guests', 'customers')),
                from_on timestamptz(0),
                until_on timestamptz(0) CHECK (until_on > from_on),
                new_tab boolean NOT NULL DEFAULT false,
                note text NOT NULL DEFAULT '',
                CHECK ((target_kind = 'place') = (place_id IS NOT NULL))
            )
            SQL);
        $this->addSql("CREATE INDEX entry_menu ON $copy.entry (menu_id)");
        $this->addSql("CREATE INDEX entry_place ON $copy.entry (place_id)");
        $this->addSql(<<<SQL
            CREATE TABLE $copy.bay (
                id text PRIMARY KEY,
                menu_id uuid,
                heading text NOT NULL DEFAULT '',
                position integer NOT NULL DEFAULT 0
            )
            SQL);
        $this->addSql(<<<SQL
            CREATE TABLE $copy.redirect (
                id uuid PRIMARY KEY,
                source text COLLATE "C" NOT NULL,
                is_prefix boolean NOT NULL DEFAULT false,
                goal_place_id uuid,
                goal_address text,
                goal_query text NOT NULL DEFAULT '',
                goal_outside text,
                status integer NOT NULL CHECK (status IN (301, 302, 307, 308, 410)),
                until timestamptz(0),
                origin text NOT NULL DEFAULT 'person' CHECK (origin IN ('person', 'address-change', 'file')),
                note text NOT NULL DEFAULT '',
                created_at timestamptz(0) NOT NULL DEFAULT now(),
                CHECK ((status = 410) = (goal_place_id IS NULL AND goal_address IS NULL AND goal_outside IS NULL)),
                CONSTRAINT redirect_source_once UNIQUE (source, is_prefix) DEFERRABLE INITIALLY IMMEDIATE
            )
            SQL);
        $this->addSql("CREATE INDEX redirect_goal_place ON $copy.redirect (goal_place_id)");
        $this->addSql("CREATE INDEX redirect_goal_address ON $copy.redirect (goal_address text_pattern_ops)");
        $this->addSql("CREATE TABLE $copy.setting (id text PRIMARY KEY, value jsonb NOT NULL)");
    }

    private function catalogue(): void
    {
        $this->addSql(<<<'SQL'
            CREATE TABLE catalogue.product (
                id uuid PRIMARY KEY,
                sku text NOT NULL UNIQUE,
                price integer NOT NULL,
                reduced_from integer,
                stock integer NOT NULL,
                weight integer NOT NULL,
                maker text NOT NULL,
                tags text[] NOT NULL DEFAULT '{}',
                options jsonb NOT NULL DEFAULT '{}',
                new_since date NOT NULL
            )
            SQL);
        $this->addSql('CREATE INDEX product_tags ON catalogue.product USING gin (tags)');
        $this->addSql('CREATE INDEX product_new ON catalogue.product (new_since DESC, id)');
        $this->addSql('CREATE INDEX product_reduced ON catalogue.product (id) WHERE reduced_from IS NOT NULL');
        $this->addSql('CREATE TABLE catalogue.standing (category_id uuid, product_id uuid, position integer NOT NULL, PRIMARY KEY (category_id, product_id))');
        $this->addSql('CREATE INDEX standing_product ON catalogue.standing (product_id)');
    }

    private function journal(): void
    {
        $this->addSql("CREATE TABLE journal.person (id uuid PRIMARY KEY, name text NOT NULL, mail text NOT NULL UNIQUE, password text NOT NULL, role text NOT NULL CHECK (role IN ('owner', 'editor', 'viewer')))");
        $this->addSql('CREATE TABLE journal.session (sess_id varchar(128) PRIMARY KEY, sess_data bytea NOT NULL, sess_lifetime integer NOT NULL, sess_time integer NOT NULL)');
        $this->addSql('CREATE INDEX session_lifetime ON journal.session (sess_lifetime)');
        // Counts of sign-in attempts; the shape is that of Symfony's cache adapter for a database.
        $this->addSql('CREATE TABLE journal.cache_items (item_id varchar(255) PRIMARY KEY, item_data bytea NOT NULL, item_lifetime integer, item_time integer NOT NULL)');
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.release (
                id uuid PRIMARY KEY,
                number integer NOT NULL UNIQUE,
                released_at timestamptz(0) NOT NULL DEFAULT now(),
                released_by text NOT NULL,
                summary text NOT NULL
            )
            SQL);
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.release_row (
                release_id uuid NOT NULL REFERENCES journal.release ON DELETE CASCADE,
                table_name text NOT NULL,
                row_id text NOT NULL,
                before jsonb,
                after jsonb,
                PRIMARY KEY (release_id, table_name, row_id)
            )
            SQL);
        $this->addSql('CREATE TABLE journal.visit (address text COLLATE "C" NOT NULL, day date NOT NULL, count integer NOT NULL, PRIMARY KEY (address, day))');
        $this->addSql('CREATE INDEX visit_day ON journal.visit (day)');
        $this->addSql('CREATE TABLE journal.missed_visit (address text COLLATE "C" NOT NULL, day date NOT NULL, count integer NOT NULL, PRIMARY KEY (address, day))');
        $this->addSql('CREATE TABLE journal.outside_mention (id uuid PRIMARY KEY, kind text NOT NULL, name text NOT NULL, address text COLLATE "C" NOT NULL)');
        $this->addSql('CREATE INDEX outside_mention_address ON journal.outside_mention (address)');
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.step (
                id uuid PRIMARY KEY,
                menu_id uuid NOT NULL,
                person_id uuid NOT NULL,
                move jsonb NOT NULL,
                inverse jsonb NOT NULL,
                undone boolean NOT NULL DEFAULT false
            )
            SQL);
        $this->addSql('CREATE INDEX step_stack ON journal.step (menu_id, person_id, undone, id)');
    }

    /** Which rows of the workbench may differ from live, so that nobody has to compare the whole shop to find out. */
    private function trackTouchedRows(): void
    {
        $this->addSql('CREATE TABLE journal.touched (table_name text NOT NULL, row_id text NOT NULL, PRIMARY KEY (table_name, row_id))');
        $this->addSql(<<<'SQL'
            CREATE FUNCTION journal.touch() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                INSERT INTO journal.touched VALUES (TG_TABLE_NAME, COALESCE(NEW.id, OLD.id)::text) ON CONFLICT DO NOTHING;
                RETURN NULL;
            END $$
            SQL);
        foreach (['place', 'words', 'pick', 'menu', 'entry', 'bay', 'redirect', 'setting'] as $table) {
            $this->addSql("CREATE TRIGGER touched AFTER INSERT OR UPDATE OR DELETE ON workbench.$table FOR EACH ROW EXECUTE FUNCTION journal.touch()");
        }
    }
}
