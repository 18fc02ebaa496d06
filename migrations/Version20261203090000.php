<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Whether a test is clean, and whether it hurt, is written down with it by the rules, and no longer worked out by the table. */
final class Version20261203090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Clean tests and tests that hurt, as the rules have them';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE test DROP INDEX IDX_TEST_CLEAN, DROP INDEX IDX_TEST_MAY_HURT, DROP is_clean, DROP may_hurt');
        $this->addSql('ALTER TABLE test ADD is_clean TINYINT NOT NULL DEFAULT 0, ADD hurts TINYINT NOT NULL DEFAULT 0');
        $this->addSql("UPDATE test SET hurts = (pain_level > 0 OR pain_kind = 'lasting-numbness')");
        $this->addSql("UPDATE test SET is_clean = (compensations = '[]' AND (hurts = 0 OR (pain_kind = 'stretch' AND pain_level < 5 AND pain_place NOT IN ('knee', 'inner-knee', 'outer-knee'))))");
        $this->addSql('ALTER TABLE test ALTER is_clean DROP DEFAULT, ALTER hurts DROP DEFAULT, ADD INDEX IDX_TEST_CLEAN (practitioner_id, is_clean, kind, side, at, entry_id), ADD INDEX IDX_TEST_HURTS (practitioner_id, hurts)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE test DROP INDEX IDX_TEST_CLEAN, DROP INDEX IDX_TEST_HURTS, DROP is_clean, DROP hurts');
        $this->addSql("ALTER TABLE test ADD is_clean TINYINT AS (pain_level = 0 AND compensations = '[]') STORED, ADD may_hurt TINYINT AS (pain_level > 0 OR pain_kind <> 'ache' OR pain_place <> 'none') STORED, ADD INDEX IDX_TEST_CLEAN (practitioner_id, is_clean, kind, side, at, entry_id), ADD INDEX IDX_TEST_MAY_HURT (practitioner_id, may_hurt)");
    }
}
