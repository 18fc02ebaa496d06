<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Assessments, drafts, tool settings and kept pictures; how a test was written down. */
final class Version20261125120000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Assessments, drafts, tool settings and kept pictures';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE assessment (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, quick TINYINT NOT NULL, wanted JSON NOT NULL, tests JSON NOT NULL, conditions JSON NOT NULL, note LONGTEXT NOT NULL, warm TINYINT NOT NULL, pain_level INT NOT NULL, pain_place VARCHAR(20) NOT NULL, pain_kind VARCHAR(20) NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_F7523D701121EA2C6A57FD3C (practitioner_id, at), INDEX IDX_F7523D701121EA2C (practitioner_id), INDEX IDX_F7523D70AAE72004 (by_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE assessment_end (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE draft (version INT DEFAULT 1 NOT NULL, id BINARY(16) NOT NULL, place VARCHAR(80) NOT NULL, content JSON NOT NULL, at DATETIME(6) NOT NULL, practitioner_id BINARY(16) NOT NULL, UNIQUE INDEX UNIQ_467C96941121EA2C741D53CD (practitioner_id, place), INDEX IDX_467C96941121EA2C (practitioner_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE kept_picture (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, test VARCHAR(40) NOT NULL, width INT NOT NULL, height INT NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_5F2152CF1121EA2C6A57FD3C (practitioner_id, at), INDEX IDX_5F2152CF1121EA2C (practitioner_id), INDEX IDX_5F2152CFAAE72004 (by_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE tool_settings (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, sd JSON NOT NULL, teacher_id BINARY(16) NOT NULL, INDEX IDX_A84D4E241807E1D6A57FD3C (teacher_id, at), INDEX IDX_A84D4E241807E1D (teacher_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('ALTER TABLE assessment ADD CONSTRAINT FK_F7523D701121EA2C FOREIGN KEY (practitioner_id) REFERENCES practitioner (id)');
        $this->addSql('ALTER TABLE assessment ADD CONSTRAINT FK_F7523D70AAE72004 FOREIGN KEY (by_id) REFERENCES teacher (id)');
        $this->addSql('ALTER TABLE draft ADD CONSTRAINT FK_467C96941121EA2C FOREIGN KEY (practitioner_id) REFERENCES practitioner (id)');
        $this->addSql('ALTER TABLE kept_picture ADD CONSTRAINT FK_5F2152CF1121EA2C FOREIGN KEY (practitioner_id) REFERENCES practitioner (id)');
        $this->addSql('ALTER TABLE kept_picture ADD CONSTRAINT FK_5F2152CFAAE72004 FOREIGN KEY (by_id) REFERENCES teacher (id)');
        $this->addSql('ALTER TABLE tool_settings ADD CONSTRAINT FK_A84D4E241807E1D FOREIGN KEY (teacher_id) REFERENCES teacher (id)');
        $this->addSql('ALTER TABLE test ADD resting TINYINT DEFAULT NULL, ADD note LONGTEXT NOT NULL, ADD assessment_id BINARY(16) DEFAULT NULL');
        $this->addSql('ALTER TABLE test ADD CONSTRAINT FK_D87F7E0CDD3DD5F1 FOREIGN KEY (assessment_id) REFERENCES assessment (id)');
        $this->addSql('CREATE INDEX IDX_D87F7E0CDD3DD5F1 ON test (assessment_id)');
        $this->addSql('ALTER TABLE trial ADD entered JSON DEFAULT \'[]\' NOT NULL, ADD errors JSON DEFAULT \'[]\' NOT NULL');
        $this->addSql('ALTER TABLE trial ALTER entered DROP DEFAULT, ALTER errors DROP DEFAULT');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE assessment DROP FOREIGN KEY FK_F7523D701121EA2C');
        $this->addSql('ALTER TABLE assessment DROP FOREIGN KEY FK_F7523D70AAE72004');
        $this->addSql('ALTER TABLE draft DROP FOREIGN KEY FK_467C96941121EA2C');
        $this->addSql('ALTER TABLE kept_picture DROP FOREIGN KEY FK_5F2152CF1121EA2C');
        $this->addSql('ALTER TABLE kept_picture DROP FOREIGN KEY FK_5F2152CFAAE72004');
        $this->addSql('ALTER TABLE tool_settings DROP FOREIGN KEY FK_A84D4E241807E1D');
        $this->addSql('DROP TABLE assessment');
        $this->addSql('DROP TABLE assessment_end');
        $this->addSql('DROP TABLE draft');
        $this->addSql('DROP TABLE kept_picture');
        $this->addSql('DROP TABLE tool_settings');
        $this->addSql('ALTER TABLE test DROP FOREIGN KEY FK_D87F7E0CDD3DD5F1');
        $this->addSql('DROP INDEX IDX_D87F7E0CDD3DD5F1 ON test');
        $this->addSql('ALTER TABLE test DROP resting, DROP note, DROP assessment_id');
        $this->addSql('ALTER TABLE trial DROP entered, DROP errors');
    }
}
