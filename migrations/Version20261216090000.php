<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261216090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Pictures of rungs';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE kept_picture CHANGE test test VARCHAR(90) NOT NULL, ADD side VARCHAR(5) DEFAULT NULL, ADD view VARCHAR(10) DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE kept_picture DROP view, DROP side, CHANGE test test VARCHAR(40) NOT NULL');
    }
}
