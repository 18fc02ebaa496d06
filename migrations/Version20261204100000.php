<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** A row that is the end of another, or made of it, is of one that is there. */
final class Version20261204100000 extends AbstractMigration
{
    /** Table, column, and the table of the row that it names. */
    private const NAMED = [
        ['assessment_end', 'id', 'assessment'],
        ['kept_reading', 'id', 'assessment'],
        ['plan_feed_end', 'id', 'plan_feed'],
        ['own_device', 'id', 'own_key'],
        ['own_key_end', 'id', 'own_key'],
        ['pin_try', 'device', 'own_key'],
    ];

    public function getDescription(): string
    {
        return 'Foreign keys where a row names another';
    }

    public function up(Schema $schema): void
    {
        // What is the end of nothing says nothing: a record file could bring it once.
        foreach (self::NAMED as [$table, $column, $of]) {
            $this->addSql("DELETE n FROM $table n LEFT JOIN $of o ON o.id = n.$column WHERE o.id IS NULL");
            $this->addSql("ALTER TABLE $table ADD CONSTRAINT FK_OF_$table FOREIGN KEY ($column) REFERENCES $of (id)");
        }
        $this->addSql('UPDATE practice_plan n LEFT JOIN practice_plan o ON o.id = n.replaces SET n.replaces = NULL WHERE n.replaces IS NOT NULL AND o.id IS NULL');
        $this->addSql('ALTER TABLE practice_plan ADD CONSTRAINT FK_REPLACED_PLAN FOREIGN KEY (replaces) REFERENCES practice_plan (id) ON DELETE SET NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE practice_plan DROP FOREIGN KEY FK_REPLACED_PLAN');
        foreach (array_reverse(self::NAMED) as [$table]) {
            $this->addSql("ALTER TABLE $table DROP FOREIGN KEY FK_OF_$table");
        }
    }
}
