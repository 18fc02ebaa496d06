<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Which tests a practitioner may take at home, and of which the teacher has seen one. */
final class Version20261202100000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Own measurements';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE own_allowed (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, tests JSON NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_OWN_ALLOWED (practitioner_id, at), INDEX IDX_OWN_ALLOWED_BY (by_id), PRIMARY KEY (id), CONSTRAINT FK_OWN_ALLOWED_P FOREIGN KEY (practitioner_id) REFERENCES practitioner (id), CONSTRAINT FK_OWN_ALLOWED_BY FOREIGN KEY (by_id) REFERENCES teacher (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
        $this->addSql('CREATE TRIGGER own_allowed_insert_counts AFTER INSERT ON own_allowed FOR EACH ROW INSERT INTO change_count (subject, number, latest) VALUES (NEW.practitioner_id, 1, NEW.at) ON DUPLICATE KEY UPDATE number = number + 1, latest = GREATEST(latest, VALUES(latest))');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE own_allowed');
    }
}
