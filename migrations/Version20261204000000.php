<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * Columns of pieces in the footer, a second row of the header, a menu in the last line, bays beside the pages of a group. What
 * the footer showed of the shop by itself becomes a column with a piece of contact, the first of the footer.
 */
final class Version20261204000000 extends AbstractMigration
{
    private const COLUMN = '019340c0-0000-7000-8000-000000000001';
    private const ROOT = '019340c0-0000-7000-8000-000000000002';
    private const CONTACT = '019340c0-0000-7000-8000-000000000003';

    public function getDescription(): string
    {
        return 'the whole frame';
    }

    public function up(Schema $schema): void
    {
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql("ALTER TABLE $copy.menu DROP CONSTRAINT menu_kind_check, ADD CONSTRAINT menu_kind_check CHECK (kind IN ('menu', 'page', 'panel', 'column'))");
            $this->addSql("ALTER TABLE $copy.bay ADD share integer NOT NULL DEFAULT 1 CHECK (share BETWEEN 1 AND 4), ADD beside uuid, ADD fills boolean NOT NULL DEFAULT false");
            $this->addSql("UPDATE $copy.bay SET position = CASE WHEN id = 'header' THEN 0 WHEN id = 'drawer' THEN 2 ELSE position + 10 END");
            $this->addSql("INSERT INTO $copy.menu (id, name, kind) SELECT '".self::COLUMN."'::uuid, 'The shop itself', 'column' WHERE EXISTS (SELECT FROM $copy.bay)");
            $this->addSql("INSERT INTO $copy.entry (id, menu_id, parent_id, position, target_kind, piece) SELECT '".self::ROOT."'::uuid, id, NULL::uuid, 0, 'heading', '{\"kind\": \"column\"}'::jsonb FROM $copy.menu WHERE id = '".self::COLUMN."' UNION ALL SELECT '".self::CONTACT."', id, '".self::ROOT."', 0, 'heading', '{\"kind\": \"contact\"}' FROM $copy.menu WHERE id = '".self::COLUMN."'");
            $this->addSql("INSERT INTO $copy.bay (id, position, menu_id, share) SELECT id, position, menu_id::uuid, share FROM (VALUES ('second-row', 1, NULL, 1), ('footer-6', 10, '".self::COLUMN."', 2), ('last-line', 30, NULL, 1)) AS made (id, position, menu_id, share) WHERE EXISTS (SELECT FROM $copy.bay)");
        }
        // What is the same in both copies waits for nothing.
        $this->addSql("DELETE FROM journal.touched t WHERE t.table_name = 'bay' AND EXISTS (SELECT FROM workbench.bay w JOIN live.bay l ON l.id = w.id AND l.* IS NOT DISTINCT FROM w.* WHERE w.id = t.row_id)");
        $this->addSql("DELETE FROM journal.touched WHERE (table_name, row_id) IN (('menu', '".self::COLUMN."'), ('entry', '".self::ROOT."'), ('entry', '".self::CONTACT."'))");
    }

    public function down(Schema $schema): void
    {
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql("DELETE FROM $copy.bay WHERE id IN ('second-row', 'footer-6', 'last-line') OR beside IS NOT NULL");
            $this->addSql("UPDATE $copy.bay SET menu_id = NULL WHERE menu_id IN (SELECT id FROM $copy.menu WHERE kind = 'column')");
            $this->addSql("DELETE FROM $copy.entry WHERE menu_id IN (SELECT id FROM $copy.menu WHERE kind = 'column')");
            $this->addSql("DELETE FROM $copy.menu WHERE kind = 'column'");
            $this->addSql("ALTER TABLE $copy.bay DROP share, DROP beside, DROP fills");
            $this->addSql("ALTER TABLE $copy.menu DROP CONSTRAINT menu_kind_check, ADD CONSTRAINT menu_kind_check CHECK (kind IN ('menu', 'page', 'panel'))");
        }
    }
}
