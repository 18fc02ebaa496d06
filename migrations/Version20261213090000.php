<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261213090000 extends AbstractMigration
{
    private const END = ' DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci';

    public function getDescription(): string
    {
        return 'Questions and answers';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE question (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, posture VARCHAR(40) NOT NULL, rung VARCHAR(40) NOT NULL, picture BINARY(16) DEFAULT NULL, practitioner_id BINARY(16) NOT NULL, INDEX IDX_QUESTION (practitioner_id, at), PRIMARY KEY (id), CONSTRAINT FK_QUESTION_P FOREIGN KEY (practitioner_id) REFERENCES practitioner (id))'.self::END);
        $this->addSql('CREATE TABLE answer (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, question BINARY(16) NOT NULL, text LONGTEXT NOT NULL, posture VARCHAR(40) NOT NULL, rung VARCHAR(40) NOT NULL, mark JSON DEFAULT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_ANSWER (practitioner_id, at), INDEX IDX_ANSWER_BY (by_id), PRIMARY KEY (id), CONSTRAINT FK_ANSWER_P FOREIGN KEY (practitioner_id) REFERENCES practitioner (id), CONSTRAINT FK_ANSWER_BY FOREIGN KEY (by_id) REFERENCES teacher (id))'.self::END);
        foreach (['question', 'answer'] as $table) {
            $this->addSql("CREATE TRIGGER {$table}_insert_counts AFTER INSERT ON $table FOR EACH ROW INSERT INTO change_count (subject, number, latest) VALUES (NEW.practitioner_id, 1, NEW.at) ON DUPLICATE KEY UPDATE number = number + 1, latest = GREATEST(latest, VALUES(latest))");
        }
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE answer');
        $this->addSql('DROP TABLE question');
    }
}
