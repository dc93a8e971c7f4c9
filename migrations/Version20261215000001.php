<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** When sites and their sections meet, and the addresses of calendars. */
final class Version20261215000001 extends RepeatableMigration
{
    private const TEXT = ' DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`';

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE hours (place_key VARCHAR(170) CHARACTER SET utf8mb4 NOT NULL COLLATE `utf8mb4_bin`, '
                .'from_at DATETIME NOT NULL, until_at DATETIME NOT NULL, meetings JSON NOT NULL, '
                .'id BINARY(16) NOT NULL, place SMALLINT NOT NULL, terms JSON NOT NULL, '
                .'site_id BINARY(16) NOT NULL, section_id BINARY(16) DEFAULT NULL, '
                .'INDEX IDX_8A1ABD8D8522CD586314E33B (place_key, until_at), INDEX IDX_8A1ABD8DF6BD1646 (site_id), '
                .'INDEX IDX_8A1ABD8DD823E37A (section_id), PRIMARY KEY (id))'
                .self::TEXT,
        );
        $this->addSql(
            'CREATE TABLE calendar_address (token_hash VARBINARY(32) NOT NULL, made_at DATETIME NOT NULL, '
                .'person_id BINARY(16) NOT NULL, UNIQUE INDEX UNIQ_6F391446217BBB47 (person_id), '
                .'PRIMARY KEY (token_hash))'
                .self::TEXT,
        );
        $this->addSql(
            'ALTER TABLE hours ADD CONSTRAINT FK_8A1ABD8DF6BD1646 FOREIGN KEY (site_id) REFERENCES site (id)',
        );
        $this->addSql(
            'ALTER TABLE hours ADD CONSTRAINT FK_8A1ABD8DD823E37A FOREIGN KEY (section_id) REFERENCES section (id)',
        );
        $this->addSql(
            'ALTER TABLE calendar_address ADD CONSTRAINT FK_6F391446217BBB47 FOREIGN KEY (person_id) '
                .'REFERENCES person (id)',
        );
    }
}
