<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Whether a test was taken cleanly, and whether something may have hurt in it, is found in an index: years of tests are not read for it. */
final class Version20261130100000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Clean and painful tests by index';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE test
            ADD is_clean TINYINT AS (pain_level = 0 AND compensations = '[]') STORED,
            ADD may_hurt TINYINT AS (pain_level > 0 OR pain_kind <> 'ache' OR pain_place <> 'none') STORED,
            ADD INDEX IDX_TEST_CLEAN (practitioner_id, is_clean, kind, side, at, entry_id),
            ADD INDEX IDX_TEST_MAY_HURT (practitioner_id, may_hurt)");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE test DROP INDEX IDX_TEST_CLEAN, DROP INDEX IDX_TEST_MAY_HURT, DROP is_clean, DROP may_hurt');
    }
}
