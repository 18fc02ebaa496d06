<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * Pain and rungs that no other record keeps, slips of the pen, and clearances that name what they lift. One
 * that was written before it could name anything lifts nothing: what it stood for has to be cleared by name.
 */
final class Version20261126090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Holds: pain said anywhere, walks up a ladder, slips of the pen, clearances by name';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE pain_said (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, said_on DATE NOT NULL, side VARCHAR(5) DEFAULT NULL, pain_level INT NOT NULL, pain_place VARCHAR(20) NOT NULL, pain_kind VARCHAR(20) NOT NULL, source VARCHAR(80) NOT NULL, during VARCHAR(40) NOT NULL, rung VARCHAR(40) NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_PAIN_SAID_AT (practitioner_id, at), INDEX IDX_PAIN_SAID_P (practitioner_id), INDEX IDX_PAIN_SAID_BY (by_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE mistake (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, names VARCHAR(120) NOT NULL, why LONGTEXT NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_MISTAKE_AT (practitioner_id, at), INDEX IDX_MISTAKE_P (practitioner_id), INDEX IDX_MISTAKE_BY (by_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE seen_rung (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, posture VARCHAR(40) NOT NULL, rung VARCHAR(40) NOT NULL, side VARCHAR(5) NOT NULL, clean TINYINT NOT NULL, heights JSON NOT NULL, hangs TINYINT NOT NULL, why LONGTEXT NOT NULL, pain_level INT NOT NULL, pain_place VARCHAR(20) NOT NULL, pain_kind VARCHAR(20) NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_SEEN_RUNG_AT (practitioner_id, at), INDEX IDX_SEEN_RUNG_P (practitioner_id), INDEX IDX_SEEN_RUNG_BY (by_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        foreach (['pain_said', 'mistake', 'seen_rung'] as $table) {
            $this->addSql("ALTER TABLE $table ADD CONSTRAINT FK_{$table}_p FOREIGN KEY (practitioner_id) REFERENCES practitioner (id)");
            $this->addSql("ALTER TABLE $table ADD CONSTRAINT FK_{$table}_by FOREIGN KEY (by_id) REFERENCES teacher (id)");
        }
        $this->addSql("ALTER TABLE clearance ADD word VARCHAR(20) NOT NULL DEFAULT 'teacher', ADD given_on DATE DEFAULT NULL, ADD asked TINYINT NOT NULL DEFAULT 0, ADD names JSON DEFAULT NULL");
        $this->addSql("UPDATE clearance SET given_on = DATE(at), names = '[]'");
        $this->addSql('ALTER TABLE clearance MODIFY given_on DATE NOT NULL, MODIFY names JSON NOT NULL, CHANGE reason allows LONGTEXT NOT NULL, MODIFY side VARCHAR(5) DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        foreach (['pain_said', 'mistake', 'seen_rung'] as $table) {
            $this->addSql("DROP TABLE $table");
        }
        $this->addSql("UPDATE clearance SET side = 'left' WHERE side IS NULL");
        $this->addSql('ALTER TABLE clearance DROP word, DROP given_on, DROP asked, DROP names, CHANGE allows reason LONGTEXT NOT NULL, MODIFY side VARCHAR(5) NOT NULL');
    }
}
