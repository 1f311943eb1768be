<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * Pages and wide panels that are laid out: menus of another kind, under the id of their place or entry, whose entries are
 * pieces. A page without one shows its words, as before.
 */
final class Version20261201000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'pieces';
    }

    public function up(Schema $schema): void
    {
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql("ALTER TABLE $copy.menu ADD kind text NOT NULL DEFAULT 'menu' CHECK (kind IN ('menu', 'page', 'panel'))");
            $this->addSql("ALTER TABLE $copy.entry ADD piece jsonb, ADD on_page uuid");
            $this->addSql("CREATE INDEX entry_on_page ON $copy.entry (on_page) WHERE on_page IS NOT NULL");
        }
        $this->addSql('ALTER TABLE journal.text_mention ADD piece_id uuid');
        $this->addSql('UPDATE journal.text_mention SET piece_id = source_id');
        $this->addSql('ALTER TABLE journal.text_mention ALTER piece_id SET NOT NULL, DROP CONSTRAINT text_mention_pkey, ADD PRIMARY KEY (piece_id, nth)');
        // The same reading of a text as Core\Words\Words::references(); a test holds the two against each other.
        $this->addSql(<<<'SQL'
            CREATE FUNCTION journal.note_mentions_of(source uuid, piece uuid, html text) RETURNS void LANGUAGE sql AS $$
                DELETE FROM journal.text_mention WHERE piece_id = piece;
                INSERT INTO journal.text_mention (source_id, piece_id, nth, form, place_id, address, part)
                SELECT source, piece, nth, CASE WHEN tag[1] IN ('img', 'video') THEN 'picture' WHEN strpos(tag[2], ' class="button"') > 0 THEN 'button' ELSE 'link' END,
                    lead[1]::uuid,
                    replace(NULLIF(lead[2], ''), '&amp;', '&'),
                    COALESCE(lead[3], '')
                FROM regexp_matches(html, '<(a|img|video)((?: [a-z-]+(?:="[^"]*")?)*) ?/?>', 'g') WITH ORDINALITY AS tags (tag, nth)
                CROSS JOIN LATERAL regexp_match(tag[2], ' (?:href|src)="(?:place:([0-9a-f-]{36})|(/[^"#?]*))(?:\?[^"#]*)?(?:#([^"]*))?"') AS lead
                WHERE html IS NOT NULL AND lead IS NOT NULL;
            $$
            SQL);
        $this->addSql(<<<'SQL'
            CREATE OR REPLACE FUNCTION journal.note_mentions() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                PERFORM journal.note_mentions_of(COALESCE(NEW.id, OLD.id), COALESCE(NEW.id, OLD.id), NEW.html);
                RETURN NULL;
            END $$
            SQL);
        $this->addSql(<<<'SQL'
            CREATE FUNCTION journal.note_mentions_in_pieces() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                IF COALESCE(NEW.piece, OLD.piece) ->> 'kind' = 'words' THEN
                    PERFORM journal.note_mentions_of(COALESCE(NEW.menu_id, OLD.menu_id), COALESCE(NEW.id, OLD.id), NEW.piece ->> 'html');
                END IF;
                RETURN NULL;
            END $$
            SQL);
        $this->addSql('CREATE TRIGGER mentions AFTER INSERT OR UPDATE OF piece OR DELETE ON workbench.entry FOR EACH ROW EXECUTE FUNCTION journal.note_mentions_in_pieces()');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TRIGGER mentions ON workbench.entry');
        $this->addSql('DROP FUNCTION journal.note_mentions_in_pieces()');
        $this->addSql('DELETE FROM journal.text_mention m USING workbench.entry e WHERE e.id = m.piece_id AND e.piece IS NOT NULL');
        $this->addSql('ALTER TABLE journal.text_mention DROP CONSTRAINT text_mention_pkey, ADD PRIMARY KEY (source_id, nth), DROP piece_id');
        $this->addSql(<<<'SQL'
            CREATE OR REPLACE FUNCTION journal.note_mentions() RETURNS trigger LANGUAGE plpgsql AS $$
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
        $this->addSql('DROP FUNCTION journal.note_mentions_of(uuid, uuid, text)');
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql("DELETE FROM $copy.entry WHERE menu_id IN (SELECT id FROM $copy.menu WHERE kind <> 'menu')");
            $this->addSql("DELETE FROM $copy.menu WHERE kind <> 'menu'");
            $this->addSql("ALTER TABLE $copy.entry DROP piece, DROP on_page");
            $this->addSql("ALTER TABLE $copy.menu DROP kind");
        }
    }
}
