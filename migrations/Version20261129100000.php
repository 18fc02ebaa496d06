<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** With a picture, the points that were marked on it are kept. */
final class Version20261129100000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Points on a kept picture';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE kept_picture ADD points JSON DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE kept_picture DROP points');
    }
}
