<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** As whom somebody goes on who was merged: what was typed on a page of before goes to the one who stays. */
final class Version20261205090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Forwarding addresses of merged people';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE merged (id BINARY(16) NOT NULL, into_id BINARY(16) NOT NULL, INDEX IDX_MERGED_INTO (into_id), PRIMARY KEY(id)) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
        $this->addSql('ALTER TABLE merged ADD CONSTRAINT FK_MERGED_INTO FOREIGN KEY (into_id) REFERENCES practitioner (id) ON DELETE CASCADE');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE merged');
    }
}
