<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Plans, session logs and calendar feeds. */
final class Version20261125140000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Plans, session logs and calendar feeds';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE plan_feed (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, hash VARCHAR(64) NOT NULL, practitioner_id BINARY(16) NOT NULL, UNIQUE INDEX UNIQ_36968859D1B862B8 (hash), INDEX IDX_369688591121EA2C (practitioner_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE plan_feed_end (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE practice_plan (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, rules VARCHAR(10) NOT NULL, request JSON NOT NULL, plan JSON NOT NULL, replaces BINARY(16) DEFAULT NULL, changed VARCHAR(200) NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_10AAEE451121EA2C6A57FD3C (practitioner_id, at), INDEX IDX_10AAEE451121EA2C (practitioner_id), INDEX IDX_10AAEE45AAE72004 (by_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE session_log (id BINARY(16) NOT NULL, practised_on DATE NOT NULL, at DATETIME(6) NOT NULL, items JSON NOT NULL, number_before DOUBLE PRECISION DEFAULT NULL, number_after DOUBLE PRECISION DEFAULT NULL, note LONGTEXT NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, plan_id BINARY(16) NOT NULL, INDEX IDX_F2E6F0FF1121EA2CD3815D66 (practitioner_id, practised_on), INDEX IDX_F2E6F0FF1121EA2C (practitioner_id), INDEX IDX_F2E6F0FFAAE72004 (by_id), INDEX IDX_F2E6F0FFE899029B (plan_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('ALTER TABLE plan_feed ADD CONSTRAINT FK_369688591121EA2C FOREIGN KEY (practitioner_id) REFERENCES practitioner (id)');
        $this->addSql('ALTER TABLE practice_plan ADD CONSTRAINT FK_10AAEE451121EA2C FOREIGN KEY (practitioner_id) REFERENCES practitioner (id)');
        $this->addSql('ALTER TABLE practice_plan ADD CONSTRAINT FK_10AAEE45AAE72004 FOREIGN KEY (by_id) REFERENCES teacher (id)');
        $this->addSql('ALTER TABLE session_log ADD CONSTRAINT FK_F2E6F0FF1121EA2C FOREIGN KEY (practitioner_id) REFERENCES practitioner (id)');
        $this->addSql('ALTER TABLE session_log ADD CONSTRAINT FK_F2E6F0FFAAE72004 FOREIGN KEY (by_id) REFERENCES teacher (id)');
        $this->addSql('ALTER TABLE session_log ADD CONSTRAINT FK_F2E6F0FFE899029B FOREIGN KEY (plan_id) REFERENCES practice_plan (id)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE plan_feed DROP FOREIGN KEY FK_369688591121EA2C');
        $this->addSql('ALTER TABLE practice_plan DROP FOREIGN KEY FK_10AAEE451121EA2C');
        $this->addSql('ALTER TABLE practice_plan DROP FOREIGN KEY FK_10AAEE45AAE72004');
        $this->addSql('ALTER TABLE session_log DROP FOREIGN KEY FK_F2E6F0FF1121EA2C');
        $this->addSql('ALTER TABLE session_log DROP FOREIGN KEY FK_F2E6F0FFAAE72004');
        $this->addSql('ALTER TABLE session_log DROP FOREIGN KEY FK_F2E6F0FFE899029B');
        $this->addSql('DROP TABLE plan_feed');
        $this->addSql('DROP TABLE plan_feed_end');
        $this->addSql('DROP TABLE practice_plan');
        $this->addSql('DROP TABLE session_log');
    }
}
