<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** Cohorts, who belongs to them, the sites they are connected to, and what is to be looked at. */
final class Version20261230000001 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE fact_change (id BIGINT UNSIGNED AUTO_INCREMENT NOT NULL, person BINARY(16) NOT NULL, what
                VARCHAR(36) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, PRIMARY KEY (id)) DEFAULT CHARACTER SET
                utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`',
        );
        $this->addSql(
            'CREATE TABLE fact_watched (what VARCHAR(36) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, PRIMARY
                KEY (what)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`',
        );
        $this->addSql(
            'CREATE TABLE cohort (version INT DEFAULT 1 NOT NULL, stale TINYINT DEFAULT 0 NOT NULL, looked_to
                BINARY(16) DEFAULT NULL, settings INT DEFAULT 0 NOT NULL, put_away_at DATETIME DEFAULT NULL, id
                BINARY(16) NOT NULL, name VARCHAR(80) NOT NULL, kind VARCHAR(8) CHARACTER SET ascii NOT NULL COLLATE
                `ascii_bin`, made_at DATETIME NOT NULL, rule JSON DEFAULT NULL, division_id BINARY(16) DEFAULT NULL,
                made_by BINARY(16) NOT NULL, INDEX by_name (name), INDEX IDX_D3B8C16B41859289 (division_id), INDEX
                IDX_D3B8C16BCD1D5128 (made_by), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE
                `utf8mb4_uca1400_ai_ci`',
        );
        $this->addSql(
            'CREATE TABLE cohort_member (from_at DATETIME NOT NULL, until_at DATETIME NOT NULL, put_by BINARY(16)
                DEFAULT NULL, cohort_id BINARY(16) NOT NULL, person_id BINARY(16) NOT NULL, INDEX of_person (person_id,
                cohort_id), INDEX of_cohort (cohort_id, until_at, from_at), INDEX IDX_CE849D5735983C93 (cohort_id),
                INDEX IDX_CE849D57217BBB47 (person_id), PRIMARY KEY (cohort_id, person_id, from_at)) DEFAULT CHARACTER
                SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`',
        );
        $this->addSql(
            "CREATE TABLE link_work (due_at DATETIME NOT NULL, asked INT DEFAULT 1 NOT NULL, why VARCHAR(32)
                CHARACTER SET ascii DEFAULT '' NOT NULL COLLATE `ascii_bin`, agreed TINYINT DEFAULT 0 NOT NULL, again
                TINYINT DEFAULT 0 NOT NULL, link_id BINARY(16) NOT NULL, person_id BINARY(16) NOT NULL, INDEX due
                (due_at, link_id), INDEX waits (why, link_id), INDEX of_person (person_id), INDEX IDX_E209FA29ADA40271 (link_id), PRIMARY KEY
                (link_id, person_id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`",
        );
        $this->addSql(
            "CREATE TABLE cohort_link (version INT DEFAULT 1 NOT NULL, ended_at DATETIME DEFAULT NULL, held_at
                DATETIME DEFAULT NULL, id BINARY(16) NOT NULL, role VARCHAR(32) CHARACTER SET ascii NOT NULL COLLATE
                `ascii_bin`, spread TINYINT DEFAULT 0 NOT NULL, from_at DATETIME DEFAULT '1000-01-01 00:00:00' NOT NULL,
                days SMALLINT DEFAULT 0 NOT NULL, to_term TINYINT DEFAULT 0 NOT NULL, term_from DATETIME DEFAULT NULL,
                earlier_ends DATETIME DEFAULT NULL, cohort_id BINARY(16) NOT NULL,
                door_id BINARY(16) NOT NULL, section_id BINARY(16) DEFAULT NULL, UNIQUE
                INDEX by_door (door_id), INDEX IDX_2AC21FA135983C93 (cohort_id),
                INDEX IDX_2AC21FA1D823E37A (section_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE
                `utf8mb4_uca1400_ai_ci`",
        );
        $this->addSql(
            'ALTER TABLE cohort ADD CONSTRAINT FK_D3B8C16B41859289 FOREIGN KEY (division_id) REFERENCES division (id)',
        );
        $this->addSql(
            'ALTER TABLE cohort ADD CONSTRAINT FK_D3B8C16BCD1D5128 FOREIGN KEY (made_by) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE cohort_member ADD CONSTRAINT FK_CE849D5735983C93 FOREIGN KEY (cohort_id) REFERENCES cohort
                (id)',
        );
        $this->addSql(
            'ALTER TABLE cohort_member ADD CONSTRAINT FK_CE849D57217BBB47 FOREIGN KEY (person_id) REFERENCES person
                (id)',
        );
        $this->addSql(
            'ALTER TABLE link_work ADD CONSTRAINT FK_E209FA29ADA40271 FOREIGN KEY (link_id) REFERENCES cohort_link
                (id)',
        );
        $this->addSql(
            'ALTER TABLE link_work ADD CONSTRAINT FK_E209FA29217BBB47 FOREIGN KEY (person_id) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE cohort_link ADD CONSTRAINT FK_2AC21FA135983C93 FOREIGN KEY (cohort_id) REFERENCES cohort
                (id)',
        );
        $this->addSql(
            'ALTER TABLE cohort_link ADD CONSTRAINT FK_2AC21FA158639EAE FOREIGN KEY (door_id) REFERENCES door (id)',
        );
        $this->addSql(
            'ALTER TABLE cohort_link ADD CONSTRAINT FK_2AC21FA1D823E37A FOREIGN KEY (section_id) REFERENCES section
                (id)',
        );
    }
}
