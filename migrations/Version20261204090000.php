<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Who needs the teacher most, as the rules had it of the records of a moment: the page of all people is asked for in this order. */
final class Version20261204090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The order in which people need their teacher';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE urgency (practitioner_id BINARY(16) NOT NULL, level TINYINT NOT NULL, place CHAR(64) DEFAULT NULL, PRIMARY KEY(practitioner_id), CONSTRAINT FK_URGENCY_PRACTITIONER FOREIGN KEY (practitioner_id) REFERENCES practitioner (id) ON DELETE CASCADE) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE urgency');
    }
}
