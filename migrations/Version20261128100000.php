<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** A posture of a teacher's own has pictures of their own. */
final class Version20261128100000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Pictures beside postures of one\'s own';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE own_picture (id BINARY(16) NOT NULL, posture VARCHAR(80) NOT NULL, shows VARCHAR(200) NOT NULL, at DATETIME(6) NOT NULL, width INT NOT NULL, height INT NOT NULL, teacher_id BINARY(16) NOT NULL, INDEX IDX_2F2E665841807E1D (teacher_id), INDEX IDX_2F2E665841807E1DA0623B16 (teacher_id, posture), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('ALTER TABLE own_picture ADD CONSTRAINT FK_2F2E665841807E1D FOREIGN KEY (teacher_id) REFERENCES teacher (id)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE own_picture DROP FOREIGN KEY FK_2F2E665841807E1D');
        $this->addSql('DROP TABLE own_picture');
    }
}
