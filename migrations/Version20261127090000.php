<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Where a teacher's days begin and end. */
final class Version20261127090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The time zone of each teacher';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE teacher ADD time_zone VARCHAR(64) DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE teacher DROP time_zone');
    }
}
