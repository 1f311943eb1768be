<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** What places need to be written here: how files are served, which text a policy began with, where texts lead, letters found by index. */
final class Version20261124000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'places in full: files, policies, mentions in texts, search by letters';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE EXTENSION IF NOT EXISTS pg_trgm SCHEMA public');
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql("ALTER TABLE $copy.place ADD serving text NOT NULL DEFAULT 'shown' CHECK (serving IN ('shown', 'new-tab', 'download')), ADD download_name text NOT NULL DEFAULT '', ADD purpose text NOT NULL DEFAULT ''");
        }
        $this->addSql('ALTER TABLE catalogue.product ADD featured boolean NOT NULL DEFAULT false');
        $this->addSql('CREATE INDEX product_featured ON catalogue.product (id) WHERE featured');
        // The expressions are those of PlaceTable and ShopReader, letter for letter.
        $this->addSql('CREATE INDEX place_letters ON workbench.place USING gin (((title || \' \' || address || \' \' || kind) COLLATE "default") public.gin_trgm_ops)');
        $this->addSql("CREATE INDEX place_letters ON live.place USING gin ((title || ' ' || summary) public.gin_trgm_ops)");
        $this->addSql('CREATE INDEX place_changed ON workbench.place (changed_at, id)');
        $this->addSql('CREATE INDEX place_address ON workbench.place (address, id)');
        $this->addSql("CREATE INDEX place_alone ON workbench.place (title, id) WHERE light <> 'closed' AND (light = 'quiet' OR parent_id IS NULL AND kind NOT IN ('product', 'collection', 'category'))");
        $this->addSql("CREATE INDEX place_not_open ON workbench.place (light, title, id) WHERE light <> 'open'");
        $this->addSql('CREATE INDEX place_not_listed ON workbench.place (title, id) WHERE NOT listed');
        $this->addSql('CREATE INDEX place_closed_to ON workbench.place (closed_to) WHERE closed_to IS NOT NULL');
        $this->mentionsInTexts();
        $this->addSql("ALTER TABLE journal.outside_mention ADD added_at timestamptz(0) NOT NULL DEFAULT now(), ADD added_by text NOT NULL DEFAULT ''");
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.place_step (
                id uuid PRIMARY KEY,
                person_id uuid NOT NULL,
                sentence text NOT NULL,
                before jsonb NOT NULL,
                undone boolean NOT NULL DEFAULT false
            )
            SQL);
        $this->addSql('CREATE INDEX place_step_stack ON journal.place_step (person_id, undone, id)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE journal.place_step');
        $this->addSql('ALTER TABLE journal.outside_mention DROP added_at, DROP added_by');
        $this->addSql('DROP TRIGGER mentions ON workbench.words');
        $this->addSql('DROP FUNCTION journal.note_mentions()');
        $this->addSql('DROP TABLE journal.text_mention');
        foreach (['place_letters', 'place_changed', 'place_address', 'place_alone', 'place_not_open', 'place_not_listed', 'place_closed_to'] as $index) {
            $this->addSql("DROP INDEX workbench.$index");
        }
        $this->addSql('DROP INDEX live.place_letters');
        $this->addSql('ALTER TABLE catalogue.product DROP featured');
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql("ALTER TABLE $copy.place DROP serving, DROP download_name, DROP purpose");
        }
    }

    /** Where the texts of the workbench lead, kept by the database itself so that nothing that writes a text can forget it. */
    private function mentionsInTexts(): void
    {
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.text_mention (
                source_id uuid NOT NULL,
                nth integer NOT NULL,
                form text NOT NULL,
                place_id uuid,
                address text COLLATE "C",
                part text NOT NULL,
                PRIMARY KEY (source_id, nth)
            )
            SQL);
        $this->addSql('CREATE INDEX text_mention_place ON journal.text_mention (place_id, source_id) WHERE place_id IS NOT NULL');
        $this->addSql('CREATE INDEX text_mention_address ON journal.text_mention (address) WHERE address IS NOT NULL');
        // The same reading of a text as Core\Words\Words::references(); a test holds the two against each other.
        $this->addSql(<<<'SQL'
            CREATE FUNCTION journal.note_mentions() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                DELETE FROM journal.text_mention WHERE source_id = COALESCE(NEW.id, OLD.id);
                IF NEW.html IS NOT NULL THEN
                    INSERT INTO journal.text_mention
                    SELECT NEW.id, nth, CASE WHEN tag[1] = 'img' THEN 'picture' WHEN strpos(tag[2], ' class="button"') > 0 THEN 'button' ELSE 'link' END,
                        lead[1]::uuid,
                        replace(NULLIF(lead[2], ''), '&amp;', '&'),
                        COALESCE(lead[3], '')
                    FROM regexp_matches(NEW.html, '<(a|img)((?: [a-z-]+(?:="[^"]*")?)*) ?/?>', 'g') WITH ORDINALITY AS tags (tag, nth)
                    CROSS JOIN LATERAL regexp_match(tag[2], ' (?:href|src)="(?:place:([0-9a-f-]{36})|(/[^"#?]*))(?:\?[^"#]*)?(?:#([^"]*))?"') AS lead
                    WHERE lead IS NOT NULL;
                END IF;
                RETURN NULL;
            END $$
            SQL);
        $this->addSql('CREATE TRIGGER mentions AFTER INSERT OR UPDATE OR DELETE ON workbench.words FOR EACH ROW EXECUTE FUNCTION journal.note_mentions()');
        // Texts that are there already are read once.
        $this->addSql('UPDATE workbench.words SET html = html');
        $this->addSql("DELETE FROM journal.touched t WHERE t.table_name = 'words' AND EXISTS (SELECT FROM workbench.words w JOIN live.words l USING (id, html) WHERE w.id = t.row_id::uuid)");
    }
}
