<?php

declare(strict_types=1);

namespace LucidAscent\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261215090000 extends AbstractMigration
{
    private const END = ' DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci';

    public function getDescription(): string
    {
        return 'Two ways, tried in turn';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE ways_compared (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, posture VARCHAR(40) NOT NULL, rung VARCHAR(40) NOT NULL, side VARCHAR(5) NOT NULL, first_way VARCHAR(80) NOT NULL, second_way VARCHAR(80) NOT NULL, measured VARCHAR(80) NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_WAYS_COMPARED (practitioner_id, at), INDEX IDX_WAYS_COMPARED_BY (by_id), PRIMARY KEY (id), CONSTRAINT FK_WAYS_COMPARED_P FOREIGN KEY (practitioner_id) REFERENCES practitioner (id), CONSTRAINT FK_WAYS_COMPARED_BY FOREIGN KEY (by_id) REFERENCES teacher (id))'.self::END);
        $this->addSql('CREATE TABLE way_tried (id BINARY(16) NOT NULL, at DATETIME(6) NOT NULL, compared BINARY(16) NOT NULL, way INT NOT NULL, number DOUBLE PRECISION DEFAULT NULL, tried_on DATE NOT NULL, practitioner_id BINARY(16) NOT NULL, by_id BINARY(16) NOT NULL, INDEX IDX_WAY_TRIED (practitioner_id, at), INDEX IDX_WAY_TRIED_BY (by_id), PRIMARY KEY (id), CONSTRAINT FK_WAY_TRIED_P FOREIGN KEY (practitioner_id) REFERENCES practitioner (id), CONSTRAINT FK_WAY_TRIED_BY FOREIGN KEY (by_id) REFERENCES teacher (id))'.self::END);
        foreach (['ways_compared', 'way_tried'] as $table) {
            $this->addSql("CREATE TRIGGER {$table}_insert_counts AFTER INSERT ON $table FOR EACH ROW INSERT INTO change_count (subject, number, latest) VALUES (NEW.practitioner_id, 1, NEW.at) ON DUPLICATE KEY UPDATE number = number + 1, latest = GREATEST(latest, VALUES(latest))");
        }
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE way_tried');
        $this->addSql('DROP TABLE ways_compared');
    }
}
