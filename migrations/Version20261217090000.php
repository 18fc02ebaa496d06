<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Entries are chained by the database itself: whoever may add one may not choose what it follows. */
final class Version20261217090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Who read, wrote and gave away what of whom';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE audit_entry (
            seq BIGINT UNSIGNED NOT NULL, at DATETIME(6) NOT NULL, actor VARCHAR(12) NOT NULL,
            actor_id BINARY(16) DEFAULT NULL, session BINARY(16) DEFAULT NULL, action VARCHAR(12) NOT NULL,
            what VARCHAR(40) NOT NULL, teacher_id BINARY(16) DEFAULT NULL, whom BINARY(16) DEFAULT NULL,
            previous BINARY(32) NOT NULL, hash BINARY(32) NOT NULL,
            PRIMARY KEY (seq), INDEX audit_whom (whom, seq), INDEX audit_teacher (teacher_id, seq)
        ) DEFAULT CHARACTER SET ascii COLLATE ascii_bin ENGINE = InnoDB');
        $this->addSql('CREATE TABLE audit_head (
            id TINYINT NOT NULL, seq BIGINT UNSIGNED NOT NULL, hash BINARY(32) NOT NULL, PRIMARY KEY (id)
        ) DEFAULT CHARACTER SET ascii COLLATE ascii_bin ENGINE = InnoDB');
        $this->addSql("INSERT INTO audit_head (id, seq, hash) VALUES (1, 0, REPEAT('\\0', 32))");
        // Whoever comes second waits at the update for the first to be done.
        $this->addSql("CREATE TRIGGER audit_entry_is_chained BEFORE INSERT ON audit_entry FOR EACH ROW BEGIN
            UPDATE audit_head SET seq = seq + 1 WHERE id = 1;
            SET NEW.seq = (SELECT seq FROM audit_head WHERE id = 1);
            SET NEW.previous = (SELECT hash FROM audit_head WHERE id = 1);
            SET NEW.hash = UNHEX(SHA2(CONCAT_WS('|', HEX(NEW.previous), NEW.seq,
                DATE_FORMAT(NEW.at, '%Y-%m-%d %H:%i:%s.%f'), NEW.actor, IFNULL(HEX(NEW.actor_id), ''),
                IFNULL(HEX(NEW.session), ''), NEW.action, NEW.what, IFNULL(HEX(NEW.teacher_id), ''),
                IFNULL(HEX(NEW.whom), '')), 256));
            UPDATE audit_head SET hash = NEW.hash WHERE id = 1;
        END");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE audit_entry');
        $this->addSql('DROP TABLE audit_head');
    }
}
