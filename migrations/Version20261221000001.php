<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** Whoever comes later is put into a group by itself. */
final class Version20261221000001 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql(
            "ALTER TABLE group_split ADD arrives VARCHAR(10) DEFAULT 'none' NOT NULL,
                ADD arrived_at DATETIME DEFAULT NULL, ADD made_from VARCHAR(50) DEFAULT NULL",
        );
        $this->addSql('ALTER TABLE site_group ADD kind VARCHAR(80) DEFAULT NULL');
    }
}
