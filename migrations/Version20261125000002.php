<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Core\People\FurtherName;
use MintDoor\Core\People\NameKind;
use MintDoor\People\Facts;
use MintDoor\People\Repository\NameIndex;
use MintDoor\Shared\RepeatableMigration;
use MintDoor\Shared\Row;

final class Version20261125000002 extends RepeatableMigration
{
    private const TEXT = ' DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`';

    public function getDescription(): string
    {
        return 'Keys that pasted names are looked up by, sheets kept while they are worked on, jobs for a worker, what was settled by hand';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE person_key (code VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, division_id BINARY(16) NOT NULL, person_id BINARY(16) NOT NULL, PRIMARY KEY (code, division_id, person_id), INDEX person (person_id))');
        $this->addSql('CREATE TABLE name_slip (slip VARCHAR(48) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, name VARCHAR(48) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, PRIMARY KEY (slip, name))');
        $this->addSql('CREATE TABLE settled_line (site_id BINARY(16) NOT NULL, gist VARCHAR(120) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL, person_id BINARY(16) NOT NULL, made_by BINARY(16) NOT NULL, made_at DATETIME NOT NULL, text VARCHAR(200) NOT NULL, PRIMARY KEY (site_id, gist))'.self::TEXT);
        $this->addSql('CREATE TABLE sheet_wish (sheet_id BINARY(16) NOT NULL, position INT NOT NULL, site_id BINARY(16) NOT NULL, person_id BINARY(16) NOT NULL, wish JSON NOT NULL, outcome VARCHAR(16) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL, reasons JSON DEFAULT NULL, line_id BINARY(16) DEFAULT NULL, PRIMARY KEY (sheet_id, position), INDEX outcome (sheet_id, outcome))'.self::TEXT);
        $this->addSql('CREATE TABLE job (id BIGINT AUTO_INCREMENT NOT NULL, queue VARCHAR(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, body LONGTEXT NOT NULL, available_at DATETIME(3) NOT NULL, taken_at DATETIME(3) DEFAULT NULL, PRIMARY KEY (id), INDEX queue (queue, id))'.self::TEXT);
        $this->addSql("ALTER TABLE change_sheet MODIFY site_id BINARY(16) DEFAULT NULL, ADD kind VARCHAR(16) CHARACTER SET ascii COLLATE ascii_bin DEFAULT 'desk' NOT NULL, ADD title VARCHAR(160) DEFAULT '' NOT NULL, ADD version INT DEFAULT 1 NOT NULL, ADD changed_at DATETIME DEFAULT NULL, ADD changed_by BINARY(16) DEFAULT NULL, ADD work LONGTEXT DEFAULT NULL, ADD total INT DEFAULT 0 NOT NULL, ADD done INT DEFAULT 0 NOT NULL, ADD applied INT DEFAULT 0 NOT NULL, ADD removing JSON DEFAULT NULL, ADD undoes BINARY(16) DEFAULT NULL");
        $this->addSql('CREATE INDEX by_name ON person (sort_name, id)');
        $this->addSql('CREATE INDEX by_maker ON change_sheet (made_by, made_at)');
        $this->addSql('CREATE INDEX by_kind ON change_sheet (kind, made_at)');
        $this->addSql('CREATE INDEX by_undone ON change_sheet (undoes)');
        $this->addSql('UPDATE change_sheet SET total = (SELECT COUNT(*) FROM sheet_line n WHERE n.sheet_id = change_sheet.id), done = total, applied = total, changed_at = made_at, changed_by = made_by');
        $this->addSql("UPDATE change_sheet SET kind = 'roster' WHERE total > 1");
        $this->addSql('ALTER TABLE site ADD taken_back TINYINT DEFAULT 0 NOT NULL');
        $this->addSql("UPDATE rule_book SET settings = JSON_SET(settings, '$.limits.sheet', 10000) WHERE JSON_VALUE(settings, '$.limits.sheet') = 1000");
        $this->work($this->findPeopleByTheirNames(...));
    }

    private function findPeopleByTheirNames(): void
    {
        $index = new NameIndex($this->connection);
        foreach ($this->connection->iterateAssociative('SELECT p.id, p.division_id, p.given_name, p.family_name, p.preferred_name, p.former_name, p.email FROM person p') as $columns) {
            $row = new Row($columns);
            $facts = new Facts(
                $row->string('given_name'),
                $row->string('family_name'),
                $row->stringOrNull('preferred_name'),
                null === $row->stringOrNull('former_name')
                    ? []
                    : [new FurtherName(NameKind::Former, '', $row->string('former_name'))],
                email: $row->stringOrNull('email'),
            );
            $index->add($row->id('id'), $row->id('division_id'), $facts);
        }
        $index->write();
    }
}
