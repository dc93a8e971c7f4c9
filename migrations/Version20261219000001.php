<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** What groups are to be like, and groups that are computed. */
final class Version20261219000001 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE group_split ADD wishes JSON DEFAULT NULL');
        $this->addSql(
            'CREATE TABLE group_task (state VARCHAR(12) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, version INT '
                .'NOT NULL, seed VARCHAR(32) CHARACTER SET utf8mb4 NOT NULL COLLATE `utf8mb4_bin`, asked_by BINARY(16) '
                .'NOT NULL, asked_at DATETIME NOT NULL, done INT NOT NULL, steps INT NOT NULL, beat_at DATETIME NOT '
                .'NULL, stops TINYINT NOT NULL, outcome JSON DEFAULT NULL, split_id BINARY(16) NOT NULL, INDEX '
                .'IDX_7B248055A393D2FBD51DF323 (state, beat_at), PRIMARY KEY (split_id)) DEFAULT CHARACTER SET '
                .'utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`',
        );
        $this->addSql(
            'ALTER TABLE group_task ADD CONSTRAINT FK_7B2480553DDC68C5 FOREIGN KEY (split_id) '
                .'REFERENCES group_split (id)',
        );
    }
}
