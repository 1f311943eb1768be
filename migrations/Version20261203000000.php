<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Sets of looks that the shop keeps under a name: a list and not drafted, but taken back like all else. */
final class Version20261203000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'sets of looks';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE journal.looks_set (id uuid PRIMARY KEY, name text NOT NULL UNIQUE, looks jsonb NOT NULL)');
        $this->addSql('CREATE TRIGGER touch AFTER INSERT OR UPDATE OR DELETE ON journal.looks_set FOR EACH ROW EXECUTE FUNCTION journal.note_edit()');
        // Which looks visitors had before is asked for whenever the frame is looked at.
        $this->addSql("CREATE INDEX release_row_looks ON journal.release_row (release_id) WHERE table_name = 'setting' AND row_id LIKE 'looks\\_%'");
        foreach (['inserted' => 'INSERT', 'updated' => 'UPDATE', 'deleted' => 'DELETE'] as $when => $event) {
            $rows = 'DELETE' === $event ? 'OLD' : 'NEW';
            $this->addSql("CREATE TRIGGER told_$when AFTER $event ON journal.looks_set REFERENCING $rows TABLE AS these FOR EACH STATEMENT EXECUTE FUNCTION journal.tell('frame')");
        }
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP INDEX journal.release_row_looks');
        $this->addSql('DROP TABLE journal.looks_set');
    }
}
