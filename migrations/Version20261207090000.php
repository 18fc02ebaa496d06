<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261207090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'How far a word in writing goes; an address that nobody reads is not kept';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE clearance ADD profession VARCHAR(80) DEFAULT NULL, ADD allowance JSON DEFAULT NULL');
        $this->addSql('ALTER TABLE password_change DROP COLUMN IF EXISTS address');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE clearance DROP profession, DROP allowance');
        $this->addSql("ALTER TABLE password_change ADD address VARCHAR(45) NOT NULL DEFAULT ''");
    }
}
