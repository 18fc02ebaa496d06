<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Set-ups kept from the pose lab. */
final class Version20261125100000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Set-ups kept from the pose lab';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE lab_setup (id BINARY(16) NOT NULL, side VARCHAR(5) NOT NULL, posture VARCHAR(40) NOT NULL, setup JSON NOT NULL, at DATETIME(6) NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_42D180F81121EA2C6A57FD3C (practitioner_id, at), INDEX IDX_42D180F81121EA2C (practitioner_id), INDEX IDX_42D180F8AAE72004 (by_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('ALTER TABLE lab_setup ADD CONSTRAINT FK_42D180F81121EA2C FOREIGN KEY (practitioner_id) REFERENCES practitioner (id)');
        $this->addSql('ALTER TABLE lab_setup ADD CONSTRAINT FK_42D180F8AAE72004 FOREIGN KEY (by_id) REFERENCES teacher (id)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE lab_setup DROP FOREIGN KEY FK_42D180F81121EA2C');
        $this->addSql('ALTER TABLE lab_setup DROP FOREIGN KEY FK_42D180F8AAE72004');
        $this->addSql('DROP TABLE lab_setup');
    }
}
