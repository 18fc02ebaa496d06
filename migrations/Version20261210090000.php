<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261210090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Where rungs are felt';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE felt_in_rung (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, felt_on DATE NOT NULL, posture VARCHAR(40) NOT NULL, rung VARCHAR(40) NOT NULL, side VARCHAR(5) DEFAULT NULL, felt VARCHAR(20) NOT NULL, kind VARCHAR(20) NOT NULL, source VARCHAR(80) NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_FELT (practitioner_id, at), INDEX IDX_FELT_BY (by_id), PRIMARY KEY (id), CONSTRAINT FK_FELT_P FOREIGN KEY (practitioner_id) REFERENCES practitioner (id), CONSTRAINT FK_FELT_BY FOREIGN KEY (by_id) REFERENCES teacher (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
        $this->addSql('CREATE TRIGGER felt_in_rung_insert_counts AFTER INSERT ON felt_in_rung FOR EACH ROW INSERT INTO change_count (subject, number, latest) VALUES (NEW.practitioner_id, 1, NEW.at) ON DUPLICATE KEY UPDATE number = number + 1, latest = GREATEST(latest, VALUES(latest))');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE felt_in_rung');
    }
}
