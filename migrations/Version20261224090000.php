<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261224090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Room for the sealed reason of a change by hand';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE practice_plan MODIFY changed LONGTEXT NOT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->skipIf(0 < (int) $this->connection->fetchOne("SELECT COUNT(*) FROM practice_plan WHERE changed LIKE 'sealed:%'"), 'There are sealed words.');
        $this->addSql('ALTER TABLE practice_plan MODIFY changed VARCHAR(200) NOT NULL');
    }
}
