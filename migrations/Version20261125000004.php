<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

final class Version20261125000004 extends RepeatableMigration
{
    private const TEXT = ' DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`';

    private const CODE = 'VARCHAR(24) CHARACTER SET ascii COLLATE ascii_bin';

    public function getDescription(): string
    {
        return 'The post room, rows of accounts, people who are in the directory no more, notes about people';
    }

    public function up(Schema $schema): void
    {
        $code = self::CODE;
        $this->addSql('ALTER TABLE person ADD gone VARCHAR(16) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL, ADD gone_into BINARY(16) DEFAULT NULL, ADD version INT DEFAULT 1 NOT NULL');
        $this->addSql('CREATE INDEX gone_into ON person (gone_into)');
        $this->addSql('ALTER TABLE account ADD made_at DATETIME DEFAULT NULL, ADD used_at DATETIME DEFAULT NULL');
        $this->addSql('ALTER TABLE change_sheet ADD tell VARCHAR(2000) DEFAULT NULL');
        $this->addSql("CREATE TABLE message_template (kind $code NOT NULL, of_id BINARY(16) NOT NULL, subject VARCHAR(150) NOT NULL, body LONGTEXT NOT NULL, version INT NOT NULL, changed_by BINARY(16) NOT NULL, changed_at DATETIME NOT NULL, PRIMARY KEY (kind, of_id))".self::TEXT);
        $this->addSql('CREATE TABLE person_note (id BINARY(16) NOT NULL, person_id BINARY(16) NOT NULL, made_by BINARY(16) NOT NULL, made_at DATETIME NOT NULL, text VARCHAR(2000) NOT NULL, taken_back TINYINT DEFAULT 0 NOT NULL, INDEX IDX_455B7E3F217BBB4798817E56 (person_id, made_at), PRIMARY KEY (id))'.self::TEXT);
        // A cause is told once: whoever tells it again finds it there.
        $this->addSql("CREATE TABLE message (id BINARY(16) NOT NULL, cause VARCHAR(120) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, kind $code NOT NULL, person_id BINARY(16) NOT NULL, address VARCHAR(190) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL, site_id BINARY(16) DEFAULT NULL, sheet_id BINARY(16) DEFAULT NULL, position INT DEFAULT NULL, line_id BINARY(16) DEFAULT NULL, subject VARCHAR(400) NOT NULL, body TEXT NOT NULL, state $code NOT NULL, tries SMALLINT DEFAULT 0 NOT NULL, reason VARCHAR(200) DEFAULT NULL, made_by BINARY(16) DEFAULT NULL, made_at DATETIME NOT NULL, due_at DATETIME(3) DEFAULT NULL, sent_at DATETIME DEFAULT NULL, PRIMARY KEY (id), UNIQUE INDEX cause (cause), INDEX due (due_at, id), INDEX person (person_id, id), INDEX site (site_id, id), INDEX sheet (sheet_id, position), INDEX line (line_id))".self::TEXT);
        $this->addSql('CREATE TABLE letter (id VARCHAR(120) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, address VARCHAR(190) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL, arrived_at DATETIME(3) NOT NULL, subject VARCHAR(400) NOT NULL, text TEXT NOT NULL, html MEDIUMTEXT NOT NULL, PRIMARY KEY (id), INDEX address (address, arrived_at))'.self::TEXT);
        $this->addSql('CREATE TABLE account_row (sheet_id BINARY(16) NOT NULL, position INT NOT NULL, row JSON NOT NULL, outcome VARCHAR(16) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL, reasons JSON DEFAULT NULL, person_id BINARY(16) DEFAULT NULL, made VARCHAR(16) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL, PRIMARY KEY (sheet_id, position), INDEX person (person_id))'.self::TEXT);
        $this->addSql('CREATE TABLE told_apart (one_id BINARY(16) NOT NULL, other_id BINARY(16) NOT NULL, made_by BINARY(16) NOT NULL, made_at DATETIME NOT NULL, PRIMARY KEY (one_id, other_id))');
    }
}
