<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Whether a teacher has said that nothing of a note hurts; notes of before were read by whoever wrote them. */
final class Version20261205100000 extends AbstractMigration
{
    private const NOTES = ['readiness_check' => 'note', 'test' => 'note', 'assessment' => 'note', 'seen_rung' => 'why'];

    public function getDescription(): string
    {
        return 'What a teacher has said of a note';
    }

    public function up(Schema $schema): void
    {
        foreach (self::NOTES as $table => $note) {
            $this->addSql("ALTER TABLE $table ADD note_read TINYINT(1) DEFAULT NULL");
            $this->addSql("UPDATE $table SET note_read = 1 WHERE $note <> ''");
        }
    }

    public function down(Schema $schema): void
    {
        foreach (array_keys(self::NOTES) as $table) {
            $this->addSql("ALTER TABLE $table DROP note_read");
        }
    }
}
