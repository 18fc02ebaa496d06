<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Teachers' own catalogue entries. */
final class Version20261125110000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return "Teachers' own catalogue entries";
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE own_entry (id BINARY(16) NOT NULL, kind VARCHAR(10) NOT NULL, name VARCHAR(80) NOT NULL, version INT NOT NULL, adapts VARCHAR(80) DEFAULT NULL, text LONGTEXT NOT NULL, at DATETIME(6) NOT NULL, teacher_id BINARY(16) NOT NULL, UNIQUE INDEX UNIQ_81425A541807E1D3BC4BCD95E237E06BF1CD3C3 (teacher_id, kind, name, version), INDEX IDX_81425A541807E1D (teacher_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('ALTER TABLE own_entry ADD CONSTRAINT FK_81425A541807E1D FOREIGN KEY (teacher_id) REFERENCES teacher (id)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE own_entry DROP FOREIGN KEY FK_81425A541807E1D');
        $this->addSql('DROP TABLE own_entry');
    }
}
