<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** A form that is sent again is compared with what was typed when its record was made. */
final class Version20261128090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What was typed into the forms of the last weeks';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE sent_form (entry BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, typed JSON NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_35994747AAE72004 (by_id), INDEX IDX_359947476A57FD3C (at), PRIMARY KEY (entry)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('ALTER TABLE sent_form ADD CONSTRAINT FK_35994747AAE72004 FOREIGN KEY (by_id) REFERENCES teacher (id)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE sent_form DROP FOREIGN KEY FK_35994747AAE72004');
        $this->addSql('DROP TABLE sent_form');
    }
}
