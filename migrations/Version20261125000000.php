<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Menus in full: entries that fill themselves or narrow their place, a phone drawer, what two people did to one menu. */
final class Version20261125000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'menus in full: self-filling and narrowed entries, the drawer, merging, undo of the frame';
    }

    public function up(Schema $schema): void
    {
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql("ALTER TABLE $copy.entry ADD narrowing jsonb, ADD filling jsonb");
            $this->addSql("INSERT INTO $copy.bay (id, position) SELECT 'drawer', 6 WHERE EXISTS (SELECT FROM $copy.bay) ON CONFLICT DO NOTHING");
        }
        $this->addSql("DELETE FROM journal.touched WHERE table_name = 'bay' AND row_id = 'drawer'");
        $this->addSql('CREATE INDEX entry_filling ON workbench.entry (menu_id) WHERE filling IS NOT NULL');
        $this->addSql("CREATE INDEX place_besides_products ON workbench.place (title, id) WHERE kind <> 'product'");
        $this->addSql('CREATE INDEX place_begins ON workbench.place (lower(title) text_pattern_ops)');
        $this->addSql('CREATE INDEX product_price ON catalogue.product (price, id)');
        // A menu of an earlier version is what stands now with these undone, latest first.
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.menu_change (
                menu_id uuid NOT NULL,
                version integer NOT NULL,
                inverse jsonb NOT NULL,
                PRIMARY KEY (menu_id, version)
            )
            SQL);
        $this->addSql('ALTER TABLE journal.step ADD version integer NOT NULL DEFAULT 0');
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.alternative (
                id uuid PRIMARY KEY,
                menu_id uuid NOT NULL,
                entry_id uuid NOT NULL,
                move jsonb NOT NULL,
                person text NOT NULL
            )
            SQL);
        $this->addSql('CREATE INDEX alternative_menu ON journal.alternative (menu_id)');
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.frame_step (
                id uuid PRIMARY KEY,
                person_id uuid NOT NULL,
                before jsonb NOT NULL
            )
            SQL);
        $this->addSql('CREATE INDEX frame_step_stack ON journal.frame_step (person_id, id)');
    }

    public function down(Schema $schema): void
    {
        foreach (['frame_step', 'alternative', 'menu_change'] as $table) {
            $this->addSql("DROP TABLE journal.$table");
        }
        $this->addSql('ALTER TABLE journal.step DROP version');
        $this->addSql('DROP INDEX catalogue.product_price');
        $this->addSql('DROP INDEX workbench.place_besides_products');
        $this->addSql('DROP INDEX workbench.place_begins');
        foreach (['workbench', 'live'] as $copy) {
            $this->addSql("DELETE FROM $copy.bay WHERE id = 'drawer'");
            $this->addSql("ALTER TABLE $copy.entry DROP narrowing, DROP filling");
        }
    }
}
