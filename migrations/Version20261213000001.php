<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** Who sees the items of a site. */
final class Version20261213000001 extends RepeatableMigration
{
    private const TEXT = ' DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`';

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE named_visibility (id BINARY(16) NOT NULL, name VARCHAR(60) NOT NULL, sentence JSON NOT NULL, '
                .'site_id BINARY(16) NOT NULL, UNIQUE INDEX UNIQ_54506DAEF6BD16465E237E06 (site_id, name), '
                .'INDEX IDX_54506DAEF6BD1646 (site_id), PRIMARY KEY (id))'
                .self::TEXT,
        );
        $this->addSql(
            'CREATE TABLE item_visibility (item VARCHAR(64) CHARACTER SET utf8mb4 NOT NULL COLLATE `utf8mb4_bin`, '
                .'sentence JSON DEFAULT NULL, site_id BINARY(16) NOT NULL, named_id BINARY(16) DEFAULT NULL, '
                .'INDEX IDX_EC3F6B0AF6BD1646 (site_id), INDEX IDX_EC3F6B0A457EB27E (named_id), '
                .'PRIMARY KEY (site_id, item))'
                .self::TEXT,
        );
        $this->addSql(
            'ALTER TABLE named_visibility ADD CONSTRAINT FK_54506DAEF6BD1646 FOREIGN KEY (site_id) REFERENCES site (id)',
        );
        $this->addSql(
            'ALTER TABLE item_visibility ADD CONSTRAINT FK_EC3F6B0AF6BD1646 FOREIGN KEY (site_id) REFERENCES site (id)',
        );
        $this->addSql(
            'ALTER TABLE item_visibility ADD CONSTRAINT FK_EC3F6B0A457EB27E FOREIGN KEY (named_id) '
                .'REFERENCES named_visibility (id)',
        );
    }
}
