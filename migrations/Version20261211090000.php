<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261211090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What a pose is wanted for';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE assessment ADD purposes JSON DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE assessment DROP purposes');
    }
}
