<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261208090000 extends AbstractMigration
{
    private const END = ' DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci';

    public function getDescription(): string
    {
        return 'Classes, and who is expected in them';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE studio_class (id BINARY(16) NOT NULL, teacher_id BINARY(16) NOT NULL, name VARCHAR(80) NOT NULL, held_on DATE NOT NULL, place VARCHAR(80) NOT NULL, pieces JSON NOT NULL, at DATETIME(6) NOT NULL, version INT DEFAULT 1 NOT NULL, INDEX IDX_STUDIO_CLASS (teacher_id, held_on), PRIMARY KEY (id), CONSTRAINT FK_STUDIO_CLASS_T FOREIGN KEY (teacher_id) REFERENCES teacher (id))'.self::END);
        $this->addSql('CREATE TABLE class_member (id BINARY(16) NOT NULL, class_id BINARY(16) NOT NULL, practitioner_id BINARY(16) NOT NULL, INDEX IDX_CLASS_MEMBER_C (class_id), INDEX IDX_CLASS_MEMBER_P (practitioner_id), PRIMARY KEY (id), CONSTRAINT FK_CLASS_MEMBER_C FOREIGN KEY (class_id) REFERENCES studio_class (id) ON DELETE CASCADE, CONSTRAINT FK_CLASS_MEMBER_P FOREIGN KEY (practitioner_id) REFERENCES practitioner (id))'.self::END);
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE class_member');
        $this->addSql('DROP TABLE studio_class');
    }
}
