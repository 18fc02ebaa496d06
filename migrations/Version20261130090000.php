<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * Counts what is written about each person, and about each teacher's own things, in the transaction that writes it:
 * a page that was made before is known to be old by it. Triggers do it, so that no writer can forget to.
 */
final class Version20261130090000 extends AbstractMigration
{
    /** Tables whose rows are about a person. */
    private const OF_PERSON = ['assessment', 'body_measures', 'clearance', 'decision', 'draft', 'kept_picture', 'kept_reading', 'lab_setup', 'mistake', 'pain_said', 'plan_feed', 'practice_plan', 'readiness_check', 'seen_rung', 'session_log', 'test'];

    /** Those whose rows a teacher's other pages show as well: how fast people go is told from all of them. */
    private const OF_TEACHER = ['own_entry', 'own_picture', 'tool_settings'];

    public function getDescription(): string
    {
        return 'Counts of changes';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE change_count (subject BINARY(16) NOT NULL, number BIGINT UNSIGNED NOT NULL, latest DATETIME(6) NOT NULL, PRIMARY KEY(subject)) DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
        foreach (self::OF_PERSON as $table) {
            $this->count($table, 'INSERT', 'NEW.practitioner_id', 'NEW.at');
        }
        $this->count('draft', 'UPDATE', 'NEW.practitioner_id', 'NEW.at');
        $this->count('draft', 'DELETE', 'OLD.practitioner_id', 'OLD.at');
        // An end has the id of what it ends.
        $this->count('assessment_end', 'INSERT', 'o.practitioner_id', 'NEW.at', from: 'assessment o WHERE o.id = NEW.id');
        $this->count('plan_feed_end', 'INSERT', 'o.practitioner_id', 'NEW.at', from: 'plan_feed o WHERE o.id = NEW.id');
        $this->count('practitioner', 'INSERT', 'NEW.id', 'NEW.created_at');
        $this->count('practitioner', 'UPDATE', 'NEW.id', 'NEW.created_at');
        $this->count('practitioner', 'INSERT', 'NEW.teacher_id', 'NEW.created_at', '_teacher');
        $this->count('practitioner', 'UPDATE', 'NEW.teacher_id', 'NEW.created_at', '_teacher');
        foreach (self::OF_TEACHER as $table) {
            $this->count($table, 'INSERT', 'NEW.teacher_id', 'NEW.at');
        }
        $this->count('teacher', 'UPDATE', 'NEW.id', 'NEW.created_at');
        $this->count('kept_reading', 'INSERT', 'o.teacher_id', 'NEW.at', '_teacher', 'practitioner o WHERE o.id = NEW.practitioner_id');
    }

    public function down(Schema $schema): void
    {
        foreach ([...self::OF_PERSON, 'assessment_end', 'plan_feed_end', 'practitioner', ...self::OF_TEACHER] as $table) {
            $this->addSql("DROP TRIGGER {$table}_insert_counts");
        }
        foreach (['draft_update', 'draft_delete', 'practitioner_update', 'teacher_update', 'kept_reading_insert_teacher', 'practitioner_insert_teacher', 'practitioner_update_teacher'] as $name) {
            $this->addSql("DROP TRIGGER {$name}_counts");
        }
        $this->addSql('DROP TABLE change_count');
    }

    private function count(string $table, string $when, string $subject, string $at, string $for = '', string $from = 'DUAL'): void
    {
        $name = $table.'_'.strtolower($when).$for.'_counts';
        $this->addSql("CREATE TRIGGER $name AFTER $when ON $table FOR EACH ROW INSERT INTO change_count (subject, number, latest) SELECT $subject, 1, $at FROM $from ON DUPLICATE KEY UPDATE number = number + 1, latest = GREATEST(latest, VALUES(latest))");
    }
}
