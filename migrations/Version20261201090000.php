<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** A record's ids travel with it; where a row had to have another key, this says which id it has in its record. */
final class Version20261201090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Ids that travelled';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE carried_id (row_id BINARY(16) NOT NULL, record_id BINARY(16) NOT NULL, practitioner_id BINARY(16) NOT NULL, PRIMARY KEY(row_id), INDEX IDX_CARRIED_RECORD (record_id), INDEX IDX_CARRIED_P (practitioner_id), CONSTRAINT FK_CARRIED_P FOREIGN KEY (practitioner_id) REFERENCES practitioner (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE carried_id');
    }
}
