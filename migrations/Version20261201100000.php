<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** That somebody was here and was erased: an id that names nobody, and when. */
final class Version20261201100000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Tombstones of erased people';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE erased (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, `rows` INT NOT NULL, PRIMARY KEY(id)) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE erased');
    }
}
