<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** Plans of who goes into which section, and the wishes of learners. */
final class Version20261216000001 extends RepeatableMigration
{
    private const TEXT = ' DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`';

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE site_plan (state VARCHAR(12) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, '
                .'version INT NOT NULL, opens_at DATETIME DEFAULT NULL, closes_at DATETIME DEFAULT NULL, '
                .'asked_at DATETIME DEFAULT NULL, reminded_at DATETIME DEFAULT NULL, '
                .'seed VARCHAR(64) CHARACTER SET utf8mb4 DEFAULT NULL COLLATE `utf8mb4_bin`, '
                .'drawn_at DATETIME DEFAULT NULL, done INT NOT NULL, steps INT NOT NULL, '
                .'beat_at DATETIME DEFAULT NULL, stops TINYINT NOT NULL, outcome JSON DEFAULT NULL, '
                .'id BINARY(16) NOT NULL, terms JSON NOT NULL, change_list_id BINARY(16) DEFAULT NULL, '
                .'site_id BINARY(16) NOT NULL, UNIQUE INDEX UNIQ_E6C0E684F6BD1646 (site_id), '
                .'INDEX IDX_E6C0E684A393D2FBD51DF323 (state, beat_at), INDEX closing (closes_at), '
                .'INDEX IDX_E6C0E684CDA9B422 (change_list_id), PRIMARY KEY (id))'
                .self::TEXT,
        );
        $this->addSql(
            'CREATE TABLE plan_wish (sections JSON NOT NULL, said_at DATETIME NOT NULL, plan_id BINARY(16) NOT NULL, '
                .'person_id BINARY(16) NOT NULL, INDEX IDX_C207B83BE899029B (plan_id), '
                .'INDEX IDX_C207B83B217BBB47 (person_id), PRIMARY KEY (plan_id, person_id))'
                .self::TEXT,
        );
        foreach (
            [
                'site_plan ADD CONSTRAINT FK_E6C0E684CDA9B422 FOREIGN KEY (change_list_id) REFERENCES change_list (id)',
                'site_plan ADD CONSTRAINT FK_E6C0E684F6BD1646 FOREIGN KEY (site_id) REFERENCES site (id)',
                'plan_wish ADD CONSTRAINT FK_C207B83BE899029B FOREIGN KEY (plan_id) REFERENCES site_plan (id) '
                    .'ON DELETE CASCADE',
                'plan_wish ADD CONSTRAINT FK_C207B83B217BBB47 FOREIGN KEY (person_id) REFERENCES person (id)',
            ] as $key
        ) {
            $this->addSql('ALTER TABLE '.$key);
        }
    }
}
