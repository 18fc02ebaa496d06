<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** With what an assessment came to, the rates of that day and what was foretold are kept. */
final class Version20261129090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Rates and forecasts of an assessment';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE kept_reading ADD progress JSON DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE kept_reading DROP progress');
    }
}
