<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Video in texts: two references may stand in one element, the file and its poster. */
final class Version20261202000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'video in texts';
    }

    public function up(Schema $schema): void
    {
        // The same reading of a text as Core\Words\Words::references(); a test holds the two against each other.
        $this->addSql(<<<'SQL'
            CREATE OR REPLACE FUNCTION journal.note_mentions_of(source uuid, piece uuid, html text) RETURNS void LANGUAGE sql AS $$
                DELETE FROM journal.text_mention WHERE piece_id = piece;
                INSERT INTO journal.text_mention (source_id, piece_id, nth, form, place_id, address, part)
                SELECT source, piece, row_number() OVER (ORDER BY tags.nth, leads.nth),
                    CASE WHEN tag[1] = 'video' AND lead[1] = 'src' THEN 'video' WHEN tag[1] <> 'a' THEN 'picture' WHEN strpos(tag[2], ' class="button"') > 0 THEN 'button' ELSE 'link' END,
                    NULLIF(lead[2], '')::uuid,
                    replace(NULLIF(lead[3], ''), '&amp;', '&'),
                    COALESCE(lead[4], '')
                FROM regexp_matches(html, '<(a|img|video)((?: [a-z-]+(?:="[^"]*")?)*) ?/?>', 'g') WITH ORDINALITY AS tags (tag, nth)
                CROSS JOIN LATERAL regexp_matches(tag[2], ' (href|src|poster)="(?:place:([0-9a-f-]{36})|(/[^"#?]*))(?:\?[^"#]*)?(?:#([^"]*))?"', 'g') WITH ORDINALITY AS leads (lead, nth)
                WHERE html IS NOT NULL;
            $$
            SQL);
    }

    public function down(Schema $schema): void
    {
        $this->addSql(<<<'SQL'
            CREATE OR REPLACE FUNCTION journal.note_mentions_of(source uuid, piece uuid, html text) RETURNS void LANGUAGE sql AS $$
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
    }
}
