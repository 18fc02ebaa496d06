<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Each account that there is becomes the owner of a studio of one: its clock, its tools, its library. */
final class Version20261219090000 extends AbstractMigration
{
    private const OF_STUDIO = ['tool_settings', 'own_entry', 'own_picture'];

    public function getDescription(): string
    {
        return 'Studios, their members, and who may open whose record';
    }

    public function up(Schema $schema): void
    {
        $end = 'DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci';
        $this->addSql("CREATE TABLE studio (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, time_zone VARCHAR(64) DEFAULT NULL, name VARCHAR(120) NOT NULL, owners_prove_twice TINYINT(1) NOT NULL, PRIMARY KEY(id)) $end");
        $this->addSql('ALTER TABLE teacher ADD studio_id BINARY(16) DEFAULT NULL, ADD role VARCHAR(12) NOT NULL DEFAULT \'owner\'');
        // A studio of one has the id of its first owner.
        $this->addSql("INSERT INTO studio (id, at, time_zone, name, owners_prove_twice) SELECT id, created_at, time_zone, '', 0 FROM teacher WHERE email NOT LIKE '%@elsewhere.invalid'");
        $this->addSql('UPDATE teacher t JOIN studio s ON s.id = t.id SET t.studio_id = s.id');
        $this->addSql("UPDATE teacher SET role = 'left' WHERE studio_id IS NULL");
        $this->addSql('ALTER TABLE teacher DROP time_zone, ALTER role DROP DEFAULT, ADD INDEX IDX_TEACHER_STUDIO (studio_id), ADD CONSTRAINT FK_TEACHER_STUDIO FOREIGN KEY (studio_id) REFERENCES studio (id)');
        foreach (self::OF_STUDIO as $table) {
            $this->addSql("ALTER TABLE $table ADD studio_id BINARY(16) DEFAULT NULL");
            $this->addSql("UPDATE $table o JOIN teacher t ON t.id = o.teacher_id SET o.studio_id = t.studio_id");
            $this->addSql("ALTER TABLE $table MODIFY studio_id BINARY(16) NOT NULL, ADD INDEX IDX_STUDIO_$table (studio_id), ADD CONSTRAINT FK_STUDIO_$table FOREIGN KEY (studio_id) REFERENCES studio (id)");
            // What is of the studio is counted as a change of the studio, whoever of it made the change.
            $this->addSql("DROP TRIGGER {$table}_insert_counts");
            $this->count($table, 'INSERT', 'NEW.studio_id', 'NEW.at');
        }
        $this->addSql('ALTER TABLE own_entry ADD UNIQUE INDEX UNIQ_OWN_ENTRY_STUDIO (studio_id, kind, name, version)');
        $this->count('studio', 'UPDATE', 'NEW.id', 'NEW.at');

        $this->addSql("CREATE TABLE member_role (id BINARY(16) NOT NULL, member_id BINARY(16) NOT NULL, role VARCHAR(12) NOT NULL, at DATETIME(6) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_ROLE_MEMBER (member_id), INDEX IDX_ROLE_BY (by_id), PRIMARY KEY(id)) $end");
        $this->addSql("CREATE TABLE invitation (id BINARY(16) NOT NULL, studio_id BINARY(16) NOT NULL, email VARCHAR(180) NOT NULL, name VARCHAR(120) NOT NULL, role VARCHAR(12) NOT NULL, at DATETIME(6) NOT NULL, by_id BINARY(16) NOT NULL, expires_at DATETIME(6) NOT NULL, hash VARCHAR(64) NOT NULL, UNIQUE INDEX UNIQ_INVITATION_HASH (hash), INDEX IDX_INVITATION_STUDIO (studio_id), INDEX IDX_INVITATION_BY (by_id), PRIMARY KEY(id)) $end");
        $this->addSql("CREATE TABLE invitation_end (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, PRIMARY KEY(id)) $end");
        $this->addSql("CREATE TABLE sharing (id BINARY(16) NOT NULL, practitioner_id BINARY(16) NOT NULL, member_id BINARY(16) NOT NULL, agreed_on DATE NOT NULL, until DATETIME(6) DEFAULT NULL, at DATETIME(6) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_SHARING_P (practitioner_id), INDEX IDX_SHARING_M (member_id), INDEX IDX_SHARING_B (by_id), PRIMARY KEY(id)) $end");
        $this->addSql("CREATE TABLE sharing_end (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, by_id BINARY(16) DEFAULT NULL, INDEX IDX_SHARING_END_B (by_id), PRIMARY KEY(id)) $end");
        $this->addSql("CREATE TABLE handed_over (id BINARY(16) NOT NULL, practitioner_id BINARY(16) NOT NULL, from_id BINARY(16) NOT NULL, to_id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_HANDED_P (practitioner_id), INDEX IDX_HANDED_F (from_id), INDEX IDX_HANDED_T (to_id), INDEX IDX_HANDED_B (by_id), PRIMARY KEY(id)) $end");
        foreach ([
            'member_role' => ['member_id' => 'teacher', 'by_id' => 'teacher'],
            'invitation' => ['studio_id' => 'studio', 'by_id' => 'teacher'],
            'sharing' => ['practitioner_id' => 'practitioner', 'member_id' => 'teacher', 'by_id' => 'teacher'],
            'sharing_end' => ['by_id' => 'teacher'],
            'handed_over' => ['practitioner_id' => 'practitioner', 'from_id' => 'teacher', 'to_id' => 'teacher',
                'by_id' => 'teacher'],
        ] as $table => $keys) {
            foreach ($keys as $key => $to) {
                $this->addSql("ALTER TABLE $table ADD CONSTRAINT FK_{$table}_$key FOREIGN KEY ($key) REFERENCES $to (id)");
            }
        }
        $this->count('sharing', 'INSERT', 'NEW.practitioner_id', 'NEW.at');
        $this->count('sharing_end', 'INSERT', 'o.practitioner_id', 'NEW.at', 'sharing o WHERE o.id = NEW.id');
        // The application may write down that somebody is something else now, and whose people are another's: it may
        // not make it so without that.
        $this->addSql('CREATE TRIGGER member_role_is_role AFTER INSERT ON member_role FOR EACH ROW UPDATE teacher SET role = NEW.role WHERE id = NEW.member_id');
        $this->addSql('CREATE TRIGGER handed_over_is_handed AFTER INSERT ON handed_over FOR EACH ROW BEGIN
            UPDATE practitioner SET teacher_id = NEW.to_id WHERE id = NEW.practitioner_id;
            UPDATE teacher SET name = name WHERE id = NEW.from_id;
        END');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE teacher ADD time_zone VARCHAR(64) DEFAULT NULL');
        $this->addSql('UPDATE teacher t JOIN studio s ON s.id = t.studio_id SET t.time_zone = s.time_zone');
        foreach (['handed_over', 'sharing_end', 'sharing', 'invitation_end', 'invitation', 'member_role'] as $table) {
            $this->addSql("DROP TABLE $table");
        }
        $this->addSql('ALTER TABLE own_entry DROP INDEX UNIQ_OWN_ENTRY_STUDIO');
        foreach (self::OF_STUDIO as $table) {
            $this->addSql("DROP TRIGGER {$table}_insert_counts");
            $this->addSql("ALTER TABLE $table DROP FOREIGN KEY FK_STUDIO_$table, DROP INDEX IDX_STUDIO_$table, DROP studio_id");
            $this->count($table, 'INSERT', 'NEW.teacher_id', 'NEW.at');
        }
        $this->addSql('ALTER TABLE teacher DROP FOREIGN KEY FK_TEACHER_STUDIO, DROP INDEX IDX_TEACHER_STUDIO, DROP studio_id, DROP role');
        $this->addSql('DROP TABLE studio');
    }

    private function count(string $table, string $when, string $subject, string $at, string $from = 'DUAL'): void
    {
        $name = $table.'_'.strtolower($when).'_counts';
        $this->addSql("CREATE TRIGGER $name AFTER $when ON $table FOR EACH ROW INSERT INTO change_count (subject, number, latest) SELECT $subject, 1, $at FROM $from ON DUPLICATE KEY UPDATE number = number + 1, latest = GREATEST(latest, VALUES(latest))");
    }
}
