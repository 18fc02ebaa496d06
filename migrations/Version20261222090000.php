<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261222090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Consent that is withdrawn, or given again';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE consent (id BINARY(16) NOT NULL, practitioner_id BINARY(16) NOT NULL, given TINYINT(1) NOT NULL, at DATETIME(6) NOT NULL, by_id BINARY(16) DEFAULT NULL, INDEX IDX_CONSENT_P (practitioner_id, at), INDEX IDX_CONSENT_B (by_id), PRIMARY KEY(id)) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
        $this->addSql('ALTER TABLE consent ADD CONSTRAINT FK_CONSENT_P FOREIGN KEY (practitioner_id) REFERENCES practitioner (id), ADD CONSTRAINT FK_CONSENT_B FOREIGN KEY (by_id) REFERENCES teacher (id)');
        $this->addSql('CREATE TRIGGER consent_insert_counts AFTER INSERT ON consent FOR EACH ROW INSERT INTO change_count (subject, number, latest) VALUES (NEW.practitioner_id, 1, NEW.at) ON DUPLICATE KEY UPDATE number = number + 1, latest = GREATEST(latest, VALUES(latest))');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE consent');
    }
}
