<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261218090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'A second factor';
    }

    public function up(Schema $schema): void
    {
        $end = 'DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci';
        $this->addSql("CREATE TABLE second_factor (id BINARY(16) NOT NULL, teacher_id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, secret VARCHAR(120) NOT NULL, recovery JSON NOT NULL, INDEX IDX_SECOND_FACTOR_T (teacher_id), INDEX IDX_SECOND_FACTOR_A (teacher_id, at), PRIMARY KEY(id)) $end");
        $this->addSql("CREATE TABLE second_factor_end (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, PRIMARY KEY(id)) $end");
        $this->addSql("CREATE TABLE second_factor_use (factor BINARY(16) NOT NULL, code VARCHAR(64) NOT NULL, at DATETIME(6) NOT NULL, PRIMARY KEY(factor, code)) $end");
        $this->addSql('ALTER TABLE second_factor ADD CONSTRAINT FK_SECOND_FACTOR_T FOREIGN KEY (teacher_id) REFERENCES teacher (id)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE second_factor_use');
        $this->addSql('DROP TABLE second_factor_end');
        $this->addSql('DROP TABLE second_factor');
    }
}
