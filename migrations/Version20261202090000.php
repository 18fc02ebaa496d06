<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** The practitioner's own page: who may open it, on which device, and what comes in by it. */
final class Version20261202090000 extends AbstractMigration
{
    private const COUNTED = ['own_key', 'own_word', 'from_practitioner', 'seen_by_teacher'];

    public function getDescription(): string
    {
        return 'The practitioner\'s own page';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE own_key (id BINARY(16) NOT NULL, hash VARCHAR(64) NOT NULL, at DATETIME(6) NOT NULL, expires_at DATETIME(6) NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, UNIQUE INDEX UNIQ_OWN_KEY_HASH (hash), INDEX IDX_OWN_KEY_P (practitioner_id), INDEX IDX_OWN_KEY_BY (by_id), PRIMARY KEY (id), CONSTRAINT FK_OWN_KEY_P FOREIGN KEY (practitioner_id) REFERENCES practitioner (id), CONSTRAINT FK_OWN_KEY_BY FOREIGN KEY (by_id) REFERENCES teacher (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
        $this->addSql('CREATE TABLE own_key_end (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
        // One key, one device: it has the key's own id.
        $this->addSql('CREATE TABLE own_device (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, token_hash VARCHAR(64) NOT NULL, pin_hash VARCHAR(255) NOT NULL, PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
        $this->addSql('CREATE TABLE pin_try (id INT AUTO_INCREMENT NOT NULL, device BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, succeeded TINYINT NOT NULL, INDEX IDX_PIN_TRY (device, at), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
        $this->addSql('CREATE TABLE own_word (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, said_on DATE NOT NULL, kind VARCHAR(10) NOT NULL, text LONGTEXT NOT NULL, practitioner_id BINARY(16) NOT NULL, INDEX IDX_OWN_WORD (practitioner_id, at), PRIMARY KEY (id), CONSTRAINT FK_OWN_WORD_P FOREIGN KEY (practitioner_id) REFERENCES practitioner (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
        $this->addSql('CREATE TABLE from_practitioner (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, kind VARCHAR(10) NOT NULL, practitioner_id BINARY(16) NOT NULL, INDEX IDX_FROM_P (practitioner_id, at), PRIMARY KEY (id), CONSTRAINT FK_FROM_P FOREIGN KEY (practitioner_id) REFERENCES practitioner (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
        $this->addSql('CREATE TABLE seen_by_teacher (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_SEEN_BY (practitioner_id, at), INDEX IDX_SEEN_BY_T (by_id), PRIMARY KEY (id), CONSTRAINT FK_SEEN_BY_P FOREIGN KEY (practitioner_id) REFERENCES practitioner (id), CONSTRAINT FK_SEEN_BY_T FOREIGN KEY (by_id) REFERENCES teacher (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
        foreach (self::COUNTED as $table) {
            $this->addSql("CREATE TRIGGER {$table}_insert_counts AFTER INSERT ON $table FOR EACH ROW INSERT INTO change_count (subject, number, latest) VALUES (NEW.practitioner_id, 1, NEW.at) ON DUPLICATE KEY UPDATE number = number + 1, latest = GREATEST(latest, VALUES(latest))");
        }
        foreach (['own_key_end', 'own_device'] as $table) {
            $this->addSql("CREATE TRIGGER {$table}_insert_counts AFTER INSERT ON $table FOR EACH ROW INSERT INTO change_count (subject, number, latest) SELECT k.practitioner_id, 1, NEW.at FROM own_key k WHERE k.id = NEW.id ON DUPLICATE KEY UPDATE number = number + 1, latest = GREATEST(latest, VALUES(latest))");
        }
    }

    public function down(Schema $schema): void
    {
        foreach (['from_practitioner', 'seen_by_teacher', 'own_word', 'pin_try', 'own_device', 'own_key_end', 'own_key'] as $table) {
            $this->addSql("DROP TABLE $table");
        }
    }
}
