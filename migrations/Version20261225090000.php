<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261225090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Whose turn it is, and which try of a PIN came after which, in rows that every node of a database agrees on';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE IF NOT EXISTS turn (subject BINARY(32) NOT NULL, number BIGINT UNSIGNED NOT NULL, at DATETIME(6) NOT NULL, INDEX IDX_TURN_AT (at), PRIMARY KEY (subject)) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
        // Whoever asks for a lock before this has run has made it.
        $this->addSql('CREATE TABLE IF NOT EXISTS lock_keys (key_id VARCHAR(64) NOT NULL, key_token VARCHAR(44) NOT NULL, key_expiration INT UNSIGNED NOT NULL, PRIMARY KEY (key_id)) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
        $this->addSql('ALTER TABLE pin_try ADD IF NOT EXISTS number INT UNSIGNED DEFAULT 0 NOT NULL');
        // Whoever writes one, of this version or the one before, gets the next number.
        $this->addSql('CREATE OR REPLACE TRIGGER pin_try_number BEFORE INSERT ON pin_try FOR EACH ROW SET NEW.number = 1 + (SELECT COALESCE(MAX(t.number), 0) FROM pin_try t WHERE t.device = NEW.device)');
        $this->addSql('UPDATE pin_try t JOIN (SELECT id, ROW_NUMBER() OVER (PARTITION BY device ORDER BY id) AS n FROM pin_try) o ON o.id = t.id SET t.number = o.n');
        $this->addSql('CREATE INDEX IF NOT EXISTS IDX_SESSION_LOG_AT ON session_log (at)');
        $this->addSql('CREATE UNIQUE INDEX IF NOT EXISTS UNIQ_PIN_TRY_NUMBER ON pin_try (device, number)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP INDEX IDX_SESSION_LOG_AT ON session_log');
        $this->addSql('DROP TRIGGER pin_try_number');
        $this->addSql('DROP INDEX UNIQ_PIN_TRY_NUMBER ON pin_try');
        $this->addSql('ALTER TABLE pin_try DROP number');
        $this->addSql('DROP TABLE lock_keys');
        $this->addSql('DROP TABLE turn');
    }
}
