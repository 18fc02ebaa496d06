<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** What assessments came to, with the rules that said so. */
final class Version20261125130000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What assessments came to, with the rules that said so';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE kept_reading (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, rules VARCHAR(10) NOT NULL, states JSON NOT NULL, practitioner_id BINARY(16) NOT NULL, INDEX IDX_88E0E1071121EA2C6A57FD3C (practitioner_id, at), INDEX IDX_88E0E1071121EA2C (practitioner_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('ALTER TABLE kept_reading ADD CONSTRAINT FK_88E0E1071121EA2C FOREIGN KEY (practitioner_id) REFERENCES practitioner (id)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE kept_reading DROP FOREIGN KEY FK_88E0E1071121EA2C');
        $this->addSql('DROP TABLE kept_reading');
    }
}
