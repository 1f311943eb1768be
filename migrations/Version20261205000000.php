<?php

declare(strict_types=1);

namespace Lantern\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Who asked to be written to; the mails that no mail server took; what a mailing service was told. */
final class Version20261205000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'sign-up';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(<<<'SQL'
            CREATE TABLE journal.subscriber (
                id uuid PRIMARY KEY,
                list text NOT NULL,
                address text NOT NULL,
                state text NOT NULL CHECK (state IN ('asked', 'confirmed', 'left')),
                agreed text NOT NULL DEFAULT '',
                asked_at timestamptz(0) NOT NULL,
                confirmed_at timestamptz(0),
                left_at timestamptz(0),
                letters integer NOT NULL DEFAULT 0,
                UNIQUE (list, address)
            )
            SQL);
        // What came from which network in the last hour; the network by a hash, and not for longer.
        $this->addSql('CREATE TABLE journal.sign_up_asked (network text NOT NULL, at timestamptz(0) NOT NULL)');
        $this->addSql('CREATE INDEX sign_up_asked_network ON journal.sign_up_asked (network, at)');
        $this->addSql('CREATE INDEX sign_up_asked_at ON journal.sign_up_asked (at)');
        $this->addSql('CREATE TABLE journal.mail (id uuid PRIMARY KEY, at timestamptz(0) NOT NULL, recipients text NOT NULL, subject text NOT NULL, raw text NOT NULL)');
        $this->addSql('CREATE TABLE journal.told_service (id uuid PRIMARY KEY, at timestamptz(0) NOT NULL, type text NOT NULL, list text NOT NULL, address text NOT NULL)');
    }

    public function down(Schema $schema): void
    {
        foreach (['subscriber', 'sign_up_asked', 'mail', 'told_service'] as $table) {
            $this->addSql("DROP TABLE journal.$table");
        }
    }
}
