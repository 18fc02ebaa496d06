<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** What was typed and not recorded is of who typed it: another member has a form of their own. */
final class Version20261223090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Whose drafts are whose';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE draft ADD by_id BINARY(16) DEFAULT NULL');
        $this->addSql('UPDATE draft d JOIN practitioner p ON p.id = d.practitioner_id SET d.by_id = p.teacher_id');
        $this->addSql('ALTER TABLE draft MODIFY by_id BINARY(16) NOT NULL, DROP INDEX UNIQ_467C96941121EA2C741D53CD, ADD UNIQUE INDEX UNIQ_DRAFT (practitioner_id, place, by_id), ADD INDEX IDX_DRAFT_BY (by_id), ADD CONSTRAINT FK_DRAFT_BY FOREIGN KEY (by_id) REFERENCES teacher (id)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DELETE d FROM draft d JOIN draft o ON o.practitioner_id = d.practitioner_id AND o.place = d.place AND o.id > d.id');
        $this->addSql('ALTER TABLE draft DROP FOREIGN KEY FK_DRAFT_BY, DROP INDEX IDX_DRAFT_BY, DROP INDEX UNIQ_DRAFT, DROP by_id, ADD UNIQUE INDEX UNIQ_467C96941121EA2C741D53CD (practitioner_id, place)');
    }
}
