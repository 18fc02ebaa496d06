<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** What is written there is sealed from now on; what was, by ascent:seal-again, which comes after every migration. */
final class Version20261220090000 extends AbstractMigration
{
    private const ROOM = [
        'clearance' => ['cleared_by' => 'VARCHAR(160) NOT NULL', 'profession' => 'VARCHAR(80) DEFAULT NULL'],
        'session_log' => ['items' => 'JSON NOT NULL'],
        'draft' => ['content' => 'JSON NOT NULL'],
        'sent_form' => ['typed' => 'JSON NOT NULL'],
    ];

    public function getDescription(): string
    {
        return 'Room for what is sealed';
    }

    public function up(Schema $schema): void
    {
        foreach (self::ROOM as $table => $columns) {
            foreach ($columns as $column => $was) {
                $this->addSql("ALTER TABLE $table MODIFY $column LONGTEXT".(str_contains($was, 'NOT NULL') ? ' NOT NULL' : ' DEFAULT NULL'));
            }
        }
    }

    /** Sealed words do not fit into the columns of before: nothing goes back of which somebody would lose any. */
    public function down(Schema $schema): void
    {
        foreach (self::ROOM as $table => $columns) {
            foreach ($columns as $column => $was) {
                $this->skipIf(0 < (int) $this->connection->fetchOne("SELECT COUNT(*) FROM $table WHERE $column LIKE 'sealed:%'"), 'There are sealed words.');
                $this->addSql("ALTER TABLE $table MODIFY $column $was");
            }
        }
    }
}
