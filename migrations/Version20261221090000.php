<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261221090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Passkeys';
    }

    public function up(Schema $schema): void
    {
        $end = 'DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci';
        $this->addSql("CREATE TABLE passkey (id BINARY(16) NOT NULL, teacher_id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, credential VARCHAR(1400) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, public_key LONGTEXT NOT NULL, name VARCHAR(80) NOT NULL, recovery JSON NOT NULL, INDEX IDX_PASSKEY_T (teacher_id, at), PRIMARY KEY(id)) $end");
        $this->addSql("CREATE TABLE passkey_end (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, PRIMARY KEY(id)) $end");
        $this->addSql('ALTER TABLE passkey ADD CONSTRAINT FK_PASSKEY_T FOREIGN KEY (teacher_id) REFERENCES teacher (id)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE passkey_end');
        $this->addSql('DROP TABLE passkey');
    }
}
