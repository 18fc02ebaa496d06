<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261212090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What is done elsewhere';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE other_load (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, done_on DATE NOT NULL, what VARCHAR(20) NOT NULL, minutes INT NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_OTHER_LOAD (practitioner_id, at), INDEX IDX_OTHER_LOAD_BY (by_id), PRIMARY KEY (id), CONSTRAINT FK_OTHER_LOAD_P FOREIGN KEY (practitioner_id) REFERENCES practitioner (id), CONSTRAINT FK_OTHER_LOAD_BY FOREIGN KEY (by_id) REFERENCES teacher (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
        $this->addSql('CREATE TRIGGER other_load_insert_counts AFTER INSERT ON other_load FOR EACH ROW INSERT INTO change_count (subject, number, latest) VALUES (NEW.practitioner_id, 1, NEW.at) ON DUPLICATE KEY UPDATE number = number + 1, latest = GREATEST(latest, VALUES(latest))');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE other_load');
    }
}
