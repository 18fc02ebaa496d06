<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Teachers, practitioners, and what is recorded of them. */
final class Version20261125090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Teachers, practitioners and their records';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE body_measures (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, stature DOUBLE PRECISION NOT NULL, lengths JSON NOT NULL, confirmed JSON NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_490FDC9D1121EA2C6A57FD3C (practitioner_id, at), INDEX IDX_490FDC9D1121EA2C (practitioner_id), INDEX IDX_490FDC9DAAE72004 (by_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE clearance (id BINARY(16) NOT NULL, side VARCHAR(5) NOT NULL, at DATETIME(6) NOT NULL, cleared_by VARCHAR(160) NOT NULL, reason LONGTEXT NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_2F4CCBD61121EA2C23811BB56A57FD3C (practitioner_id, side, at), INDEX IDX_2F4CCBD61121EA2C (practitioner_id), INDEX IDX_2F4CCBD6AAE72004 (by_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE decision (id BINARY(16) NOT NULL, ladder VARCHAR(40) NOT NULL, side VARCHAR(5) NOT NULL, at DATETIME(6) NOT NULL, proposed VARCHAR(20) NOT NULL, step VARCHAR(20) NOT NULL, reasons JSON NOT NULL, rests_on JSON NOT NULL, rung_after VARCHAR(40) NOT NULL, why LONGTEXT NOT NULL, rules VARCHAR(10) NOT NULL, check_id BINARY(16) NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, UNIQUE INDEX UNIQ_84ACBE48709385E7 (check_id), INDEX IDX_84ACBE481121EA2C37BDBC2523811BB56A57FD3C (practitioner_id, ladder, side, at), INDEX IDX_84ACBE481121EA2C (practitioner_id), INDEX IDX_84ACBE48AAE72004 (by_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE practitioner (id BINARY(16) NOT NULL, name VARCHAR(120) NOT NULL, consented_at DATETIME(6) NOT NULL, created_at DATETIME(6) NOT NULL, teacher_id BINARY(16) NOT NULL, INDEX IDX_17323CBC41807E1D5E237E06 (teacher_id, name), INDEX IDX_17323CBC41807E1D (teacher_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE readiness_check (id BINARY(16) NOT NULL, ladder VARCHAR(40) NOT NULL, side VARCHAR(5) NOT NULL, rung VARCHAR(40) NOT NULL, practised_on DATE NOT NULL, at DATETIME(6) NOT NULL, prop_height DOUBLE PRECISION DEFAULT NULL, hold_reached TINYINT NOT NULL, even_breath TINYINT NOT NULL, pain_level INT NOT NULL, pain_place VARCHAR(20) NOT NULL, pain_kind VARCHAR(20) NOT NULL, compensations JSON NOT NULL, sore_at_night TINYINT NOT NULL, note LONGTEXT NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_832E384E1121EA2C37BDBC2523811BB5D3815D66 (practitioner_id, ladder, side, practised_on), INDEX IDX_832E384E1121EA2C (practitioner_id), INDEX IDX_832E384EAAE72004 (by_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE sign_in_attempt (id INT AUTO_INCREMENT NOT NULL, email VARCHAR(180) NOT NULL, address VARCHAR(45) NOT NULL, succeeded TINYINT NOT NULL, at DATETIME(6) NOT NULL, INDEX IDX_B09C057E7927C746A57FD3C (email, at), INDEX IDX_B09C057D4E6F816A57FD3C (address, at), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE teacher (password VARCHAR(255) NOT NULL, id BINARY(16) NOT NULL, email VARCHAR(180) NOT NULL, name VARCHAR(120) NOT NULL, created_at DATETIME(6) NOT NULL, UNIQUE INDEX UNIQ_B0F6A6D5E7927C74 (email), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE test (id BINARY(16) NOT NULL, entry_id BINARY(16) NOT NULL, kind VARCHAR(40) NOT NULL, side VARCHAR(5) NOT NULL, at DATETIME(6) NOT NULL, tool VARCHAR(20) NOT NULL, seat DOUBLE PRECISION NOT NULL, pain_level INT NOT NULL, pain_place VARCHAR(20) NOT NULL, pain_kind VARCHAR(20) NOT NULL, compensations JSON NOT NULL, rules VARCHAR(10) NOT NULL, corrects BINARY(16) DEFAULT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_D87F7E0C1121EA2C6A57FD3C (practitioner_id, at), UNIQUE INDEX UNIQ_D87F7E0CBA36494223811BB5 (entry_id, side), INDEX IDX_D87F7E0C1121EA2C (practitioner_id), INDEX IDX_D87F7E0CAAE72004 (by_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE trial (id INT AUTO_INCREMENT NOT NULL, ordinal INT NOT NULL, readings JSON NOT NULL, test_id BINARY(16) NOT NULL, UNIQUE INDEX UNIQ_74A25E3F1E5D0459F64FB703 (test_id, ordinal), INDEX IDX_74A25E3F1E5D0459 (test_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('ALTER TABLE body_measures ADD CONSTRAINT FK_490FDC9D1121EA2C FOREIGN KEY (practitioner_id) REFERENCES practitioner (id)');
        $this->addSql('ALTER TABLE body_measures ADD CONSTRAINT FK_490FDC9DAAE72004 FOREIGN KEY (by_id) REFERENCES teacher (id)');
        $this->addSql('ALTER TABLE clearance ADD CONSTRAINT FK_2F4CCBD61121EA2C FOREIGN KEY (practitioner_id) REFERENCES practitioner (id)');
        $this->addSql('ALTER TABLE clearance ADD CONSTRAINT FK_2F4CCBD6AAE72004 FOREIGN KEY (by_id) REFERENCES teacher (id)');
        $this->addSql('ALTER TABLE decision ADD CONSTRAINT FK_84ACBE48709385E7 FOREIGN KEY (check_id) REFERENCES readiness_check (id)');
        $this->addSql('ALTER TABLE decision ADD CONSTRAINT FK_84ACBE481121EA2C FOREIGN KEY (practitioner_id) REFERENCES practitioner (id)');
        $this->addSql('ALTER TABLE decision ADD CONSTRAINT FK_84ACBE48AAE72004 FOREIGN KEY (by_id) REFERENCES teacher (id)');
        $this->addSql('ALTER TABLE practitioner ADD CONSTRAINT FK_17323CBC41807E1D FOREIGN KEY (teacher_id) REFERENCES teacher (id)');
        $this->addSql('ALTER TABLE readiness_check ADD CONSTRAINT FK_832E384E1121EA2C FOREIGN KEY (practitioner_id) REFERENCES practitioner (id)');
        $this->addSql('ALTER TABLE readiness_check ADD CONSTRAINT FK_832E384EAAE72004 FOREIGN KEY (by_id) REFERENCES teacher (id)');
        $this->addSql('ALTER TABLE test ADD CONSTRAINT FK_D87F7E0C1121EA2C FOREIGN KEY (practitioner_id) REFERENCES practitioner (id)');
        $this->addSql('ALTER TABLE test ADD CONSTRAINT FK_D87F7E0CAAE72004 FOREIGN KEY (by_id) REFERENCES teacher (id)');
        $this->addSql('ALTER TABLE trial ADD CONSTRAINT FK_74A25E3F1E5D0459 FOREIGN KEY (test_id) REFERENCES test (id)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE body_measures DROP FOREIGN KEY FK_490FDC9D1121EA2C');
        $this->addSql('ALTER TABLE body_measures DROP FOREIGN KEY FK_490FDC9DAAE72004');
        $this->addSql('ALTER TABLE clearance DROP FOREIGN KEY FK_2F4CCBD61121EA2C');
        $this->addSql('ALTER TABLE clearance DROP FOREIGN KEY FK_2F4CCBD6AAE72004');
        $this->addSql('ALTER TABLE decision DROP FOREIGN KEY FK_84ACBE48709385E7');
        $this->addSql('ALTER TABLE decision DROP FOREIGN KEY FK_84ACBE481121EA2C');
        $this->addSql('ALTER TABLE decision DROP FOREIGN KEY FK_84ACBE48AAE72004');
        $this->addSql('ALTER TABLE practitioner DROP FOREIGN KEY FK_17323CBC41807E1D');
        $this->addSql('ALTER TABLE readiness_check DROP FOREIGN KEY FK_832E384E1121EA2C');
        $this->addSql('ALTER TABLE readiness_check DROP FOREIGN KEY FK_832E384EAAE72004');
        $this->addSql('ALTER TABLE test DROP FOREIGN KEY FK_D87F7E0C1121EA2C');
        $this->addSql('ALTER TABLE test DROP FOREIGN KEY FK_D87F7E0CAAE72004');
        $this->addSql('ALTER TABLE trial DROP FOREIGN KEY FK_74A25E3F1E5D0459');
        $this->addSql('DROP TABLE body_measures');
        $this->addSql('DROP TABLE clearance');
        $this->addSql('DROP TABLE decision');
        $this->addSql('DROP TABLE practitioner');
        $this->addSql('DROP TABLE readiness_check');
        $this->addSql('DROP TABLE sign_in_attempt');
        $this->addSql('DROP TABLE teacher');
        $this->addSql('DROP TABLE test');
        $this->addSql('DROP TABLE trial');
    }
}
