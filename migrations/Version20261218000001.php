<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** Ways of dividing a site's people into groups. */
final class Version20261218000001 extends RepeatableMigration
{
    private const TEXT = ' DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`';

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE group_place (id BINARY(16) NOT NULL, from_at DATETIME NOT NULL, put_by BINARY(16) '
                .'DEFAULT NULL, until_at DATETIME DEFAULT \'9999-12-31 00:00:00\' NOT NULL, live TINYINT DEFAULT '
                .'NULL, split_id BINARY(16) NOT NULL, group_id BINARY(16) NOT NULL, person_id BINARY(16) NOT NULL, '
                .'INDEX of_group (group_id, live), INDEX of_person (person_id, live), UNIQUE INDEX one_of_each '
                .'(split_id, person_id, live), INDEX IDX_243178AA3DDC68C5 (split_id), INDEX IDX_243178AAFE54D947 '
                .'(group_id), INDEX IDX_243178AA217BBB47 (person_id), PRIMARY KEY (id))'
                .self::TEXT,
        );
        $this->addSql(
            'CREATE TABLE site_group (id BINARY(16) NOT NULL, name VARCHAR(80) NOT NULL, most INT DEFAULT '
                .'NULL, notes VARCHAR(500) NOT NULL, place SMALLINT DEFAULT 0 NOT NULL, gone TINYINT DEFAULT 0 NOT '
                .'NULL, split_id BINARY(16) NOT NULL, leader_id BINARY(16) DEFAULT NULL, INDEX '
                .'IDX_A99A94C03DDC68C5741D53CD (split_id, place), INDEX IDX_A99A94C03DDC68C5 (split_id), INDEX '
                .'IDX_A99A94C073154ED4 (leader_id), PRIMARY KEY (id))'
                .self::TEXT,
        );
        $this->addSql(
            'CREATE TABLE group_split (version INT NOT NULL, put_away_at DATETIME DEFAULT NULL, id BINARY(16) '
                .'NOT NULL, name VARCHAR(80) NOT NULL, least INT DEFAULT NULL, most INT DEFAULT NULL, place '
                .'SMALLINT DEFAULT 0 NOT NULL, site_id BINARY(16) NOT NULL, section_id BINARY(16) DEFAULT NULL, '
                .'INDEX IDX_E1D9B176F6BD1646741D53CD (site_id, place), INDEX IDX_E1D9B176F6BD1646 (site_id), INDEX '
                .'IDX_E1D9B176D823E37A (section_id), PRIMARY KEY (id))'
                .self::TEXT,
        );
        foreach (
            [
                'group_place ADD CONSTRAINT FK_243178AA3DDC68C5 FOREIGN KEY (split_id) REFERENCES group_split (id)',
                'group_place ADD CONSTRAINT FK_243178AAFE54D947 FOREIGN KEY (group_id) REFERENCES site_group (id)',
                'group_place ADD CONSTRAINT FK_243178AA217BBB47 FOREIGN KEY (person_id) REFERENCES person (id)',
                'site_group ADD CONSTRAINT FK_A99A94C03DDC68C5 FOREIGN KEY (split_id) REFERENCES group_split (id)',
                'site_group ADD CONSTRAINT FK_A99A94C073154ED4 FOREIGN KEY (leader_id) REFERENCES person (id)',
                'group_split ADD CONSTRAINT FK_E1D9B176F6BD1646 FOREIGN KEY (site_id) REFERENCES site (id)',
                'group_split ADD CONSTRAINT FK_E1D9B176D823E37A FOREIGN KEY (section_id) REFERENCES section (id)',
            ] as $key
        ) {
            $this->addSql('ALTER TABLE '.$key);
        }
    }
}
