<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261209090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'In which language somebody reads texts and numbers';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE teacher ADD locale VARCHAR(10) DEFAULT NULL');
        $this->addSql('ALTER TABLE practitioner ADD locale VARCHAR(10) DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE teacher DROP locale');
        $this->addSql('ALTER TABLE practitioner DROP locale');
    }
}
