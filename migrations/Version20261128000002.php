<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

final class Version20261128000002 extends RepeatableMigration
{
    public function getDescription(): string
    {
        return 'Jobs as Messenger keeps them, when the scheduler looked last, and why a list stopped being applied';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE messenger_messages (
                id BIGINT AUTO_INCREMENT NOT NULL, body LONGTEXT NOT NULL, headers LONGTEXT NOT NULL,
                queue_name VARCHAR(190) NOT NULL, created_at DATETIME NOT NULL, available_at DATETIME NOT NULL,
                delivered_at DATETIME DEFAULT NULL, PRIMARY KEY (id),
                INDEX next (queue_name, available_at, delivered_at, id)
             ) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`',
        );
        $this->addSql(
            "INSERT INTO messenger_messages (body, headers, queue_name, created_at, available_at)
             SELECT body, '[]', queue, UTC_TIMESTAMP(), available_at FROM job ORDER BY id",
        );
        $this->addSql('DROP TABLE job');
        $this->addSql(
            'CREATE TABLE beat (
                name VARCHAR(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, at DATETIME NOT NULL, PRIMARY KEY (name)
             ) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`',
        );
        $this->addSql(
            'ALTER TABLE change_sheet ADD trouble VARCHAR(32) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL',
        );
    }
}
