<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261206090000 extends AbstractMigration
{
    private const END = ' DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci';

    public function getDescription(): string
    {
        return 'Where a teacher is signed in, and when a password was changed';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE signed_in (id BINARY(16) NOT NULL, teacher_id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, address VARCHAR(45) NOT NULL, agent VARCHAR(200) NOT NULL, INDEX IDX_SIGNED_IN_TEACHER (teacher_id, at), PRIMARY KEY (id), CONSTRAINT FK_SIGNED_IN_TEACHER FOREIGN KEY (teacher_id) REFERENCES teacher (id))'.self::END);
        $this->addSql('CREATE TABLE signed_in_end (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, PRIMARY KEY (id), CONSTRAINT FK_SIGNED_IN_END FOREIGN KEY (id) REFERENCES signed_in (id) ON DELETE CASCADE)'.self::END);
        $this->addSql('CREATE TABLE password_change (id BINARY(16) NOT NULL, teacher_id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, address VARCHAR(45) NOT NULL, INDEX IDX_PASSWORD_CHANGE_TEACHER (teacher_id, at), PRIMARY KEY (id), CONSTRAINT FK_PASSWORD_CHANGE_TEACHER FOREIGN KEY (teacher_id) REFERENCES teacher (id))'.self::END);
    }

    public function down(Schema $schema): void
    {
        foreach (['signed_in_end', 'signed_in', 'password_change'] as $table) {
            $this->addSql("DROP TABLE $table");
        }
    }
}
