<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/**
 * Divisions are a tree and call their levels as they like, terms may be those of a division, days are off, and the
 * settings of the platform are kept in versions.
 */
final class Version20261207000001 extends RepeatableMigration
{
    private const TEXT = ' DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`';

    public function up(Schema $schema): void
    {
        $day = 'VARCHAR(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL';
        $this->addSql('ALTER TABLE division ADD parent_id BINARY(16) DEFAULT NULL');
        $this->addSql('ALTER TABLE division ADD first_level SMALLINT DEFAULT 1 NOT NULL');
        $this->addSql('ALTER TABLE division ADD level_names JSON DEFAULT NULL');
        $this->addSql("ALTER TABLE division ADD welcome VARCHAR(2000) DEFAULT '' NOT NULL");
        $this->addSql('ALTER TABLE division ADD retired TINYINT DEFAULT 0 NOT NULL');
        $this->addSql('CREATE INDEX IDX_10174714727ACA70 ON division (parent_id)');
        $this->addSql(
            'ALTER TABLE division ADD CONSTRAINT FK_10174714727ACA70 FOREIGN KEY (parent_id) REFERENCES division (id)',
        );
        $this->addSql(
            'CREATE TABLE division_within (above_id BINARY(16) NOT NULL, division_id BINARY(16) NOT NULL, '
                .'INDEX IDX_754DC1837F829173 (above_id), INDEX IDX_754DC18341859289 (division_id), '
                .'PRIMARY KEY (above_id, division_id))'
                .self::TEXT,
        );
        $this->addSql(
            'ALTER TABLE division_within ADD CONSTRAINT FK_754DC1837F829173 FOREIGN KEY (above_id) '
                .'REFERENCES division (id)',
        );
        $this->addSql(
            'ALTER TABLE division_within ADD CONSTRAINT FK_754DC18341859289 FOREIGN KEY (division_id) '
                .'REFERENCES division (id)',
        );
        $this->addSql('INSERT IGNORE INTO division_within (above_id, division_id) SELECT id, id FROM division');
        $this->addSql('ALTER TABLE term ADD division_id BINARY(16) DEFAULT NULL');
        $this->addSql('CREATE INDEX IDX_A50FE78D41859289 ON term (division_id)');
        $this->addSql(
            'ALTER TABLE term ADD CONSTRAINT FK_A50FE78D41859289 FOREIGN KEY (division_id) REFERENCES division (id)',
        );
        $this->addSql(
            "CREATE TABLE days_off (id BINARY(16) NOT NULL, name VARCHAR(120) NOT NULL, from_on $day, until_on $day, "
                .'division_id BINARY(16) DEFAULT NULL, INDEX IDX_C98E6BCA41859289 (division_id), '
                .'INDEX in_order (from_on, until_on), PRIMARY KEY (id))'
                .self::TEXT,
        );
        $this->addSql(
            'ALTER TABLE days_off ADD CONSTRAINT FK_C98E6BCA41859289 FOREIGN KEY (division_id) '
                .'REFERENCES division (id)',
        );
        $this->addSql(
            'CREATE TABLE settings_version (version INT NOT NULL, made_at DATETIME NOT NULL, '
                .'made_by BINARY(16) DEFAULT NULL, settings JSON NOT NULL, PRIMARY KEY (version))'
                .self::TEXT,
        );
    }
}
