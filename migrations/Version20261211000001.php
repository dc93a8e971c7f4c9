<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** Details of people, and kinds of people beside the four. */
final class Version20261211000001 extends RepeatableMigration
{
    private const TEXT = ' DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`';

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE person_detail (code VARCHAR(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, '
                .'value VARCHAR(120) NOT NULL, amount DOUBLE PRECISION DEFAULT NULL, person_id BINARY(16) NOT NULL, '
                .'INDEX by_value (code, value), INDEX by_amount (code, amount), '
                .'INDEX IDX_B2A34F25217BBB47 (person_id), PRIMARY KEY (person_id, code))'
                .self::TEXT,
        );
        $this->addSql(
            'ALTER TABLE person_detail ADD CONSTRAINT FK_B2A34F25217BBB47 FOREIGN KEY (person_id) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE person ADD own_kind VARCHAR(32) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL',
        );
        $this->addSql('DROP INDEX in_order ON person');
        $this->addSql(
            'CREATE INDEX in_order ON person (gone, sort_name, id, kind, division_id, level, own_kind)',
        );
    }
}
