<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Whether a test was corrected is asked of every test that is read. */
final class Version20261127110000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'An index of what corrects what';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE INDEX IDX_D87F7E0C4776B5646A57FD3C ON test (corrects, at)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP INDEX IDX_D87F7E0C4776B5646A57FD3C ON test');
    }
}
