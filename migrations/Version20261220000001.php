<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** People choose their groups by themselves, found them, and ask others into them. */
final class Version20261220000001 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE group_task ADD settles TINYINT DEFAULT 0 NOT NULL');
        $this->addSql('ALTER TABLE site_group ADD founded TINYINT DEFAULT 0 NOT NULL');
        $this->addSql(
            'ALTER TABLE group_split ADD opens_at DATETIME DEFAULT NULL, ADD closes_at DATETIME DEFAULT NULL, '
                .'ADD founds TINYINT DEFAULT 0 NOT NULL, ADD settles TINYINT DEFAULT 0 NOT NULL, ADD opened_by BINARY(16) '
                .'DEFAULT NULL, ADD asked_at DATETIME DEFAULT NULL, ADD reminded_at DATETIME DEFAULT NULL, ADD settled_at '
                .'DATETIME DEFAULT NULL',
        );
        $this->addSql(
            'CREATE TABLE group_invite (asked_by BINARY(16) NOT NULL, asked_at DATETIME NOT NULL, group_id BINARY(16) '
                .'NOT NULL, person_id BINARY(16) NOT NULL, INDEX IDX_1464C807FE54D947 (group_id), INDEX '
                .'IDX_1464C807217BBB47 (person_id), PRIMARY KEY (group_id, person_id)) DEFAULT CHARACTER SET utf8mb4 '
                .'COLLATE `utf8mb4_uca1400_ai_ci`',
        );
        foreach (
            [
                'FK_1464C807FE54D947 FOREIGN KEY (group_id) REFERENCES site_group (id)',
                'FK_1464C807217BBB47 FOREIGN KEY (person_id) REFERENCES person (id)',
            ] as $key
        ) {
            $this->addSql('ALTER TABLE group_invite ADD CONSTRAINT '.$key);
        }
    }
}
