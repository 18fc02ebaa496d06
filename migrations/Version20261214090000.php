<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261214090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Courses';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE studio_class ADD course BINARY(16) DEFAULT NULL, ADD theme VARCHAR(40) DEFAULT '' NOT NULL");
        $this->addSql('CREATE INDEX IDX_STUDIO_CLASS_COURSE ON studio_class (course)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP INDEX IDX_STUDIO_CLASS_COURSE ON studio_class');
        $this->addSql('ALTER TABLE studio_class DROP course, DROP theme');
    }
}
