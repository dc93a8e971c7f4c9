<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

final class Version20261125000001 extends RepeatableMigration
{
    private const TEXT = ' DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`';

    /** What those who had a permission of before may do besides, now that it can be told apart. */
    private const FOLLOWS = [
        'see-unlisted' => ['see-activity'],
        'enter-marks' => ['export-progress'],
        'let-in' => ['label-people', 'write-to-people', 'arrange-groups', 'arrange-sections', 'keep-doors', 'see-as', 'show-items'],
    ];

    public function getDescription(): string
    {
        return 'Rules in versions, labels, saved views of a roster, who may change what a door brought';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE rule_book (version INT NOT NULL, made_at DATETIME NOT NULL, made_by BINARY(16) DEFAULT NULL, settings JSON NOT NULL, PRIMARY KEY (version))'.self::TEXT);
        foreach (self::FOLLOWS as $had => $gets) {
            $append = implode(', ', array_map(static fn(string $permission): string => "'$.permissions', '$permission'", $gets));
            $this->addSql("UPDATE role SET settings = JSON_ARRAY_APPEND(settings, $append) WHERE JSON_CONTAINS(settings, '\"$had\"', '$.permissions')");
        }
        $this->addSql(<<<'SQL'
            INSERT INTO rule_book (version, made_at, settings)
            SELECT 1, '2026-11-25 00:00:00', JSON_OBJECT(
                'roles', JSON_ARRAYAGG(JSON_INSERT(settings, '$.code', code)),
                'numbers', JSON_ARRAY(
                    JSON_OBJECT('name', 'Learner number', 'kinds', JSON_ARRAY('learner'), 'prefix', '', 'digits', 7, 'checked', true),
                    JSON_OBJECT('name', 'Staff number', 'kinds', JSON_ARRAY('staff'), 'prefix', 'S', 'digits', 5, 'checked', false)
                ),
                'limits', JSON_OBJECT('seats', 100000, 'leads', 10, 'sheet', 1000, 'removalFew', 5, 'removalShare', 20)
            ) FROM role HAVING COUNT(*) > 0
            SQL);
        $this->addSql('DROP TABLE role');
        $this->addSql('ALTER TABLE site MODIFY lead_limit SMALLINT DEFAULT NULL');
        $this->addSql('UPDATE site SET lead_limit = NULL WHERE lead_limit = 10');
        $this->addSql('ALTER TABLE door ADD reserved TINYINT DEFAULT 0 NOT NULL');
        $this->addSql('CREATE TABLE label (id BINARY(16) NOT NULL, name VARCHAR(40) NOT NULL, made_by BINARY(16) DEFAULT NULL, UNIQUE INDEX UNIQ_EA750E85E237E06 (name), PRIMARY KEY (id))'.self::TEXT);
        $this->addSql('CREATE TABLE person_label (person_id BINARY(16) NOT NULL, label_id BINARY(16) NOT NULL, put_by BINARY(16) DEFAULT NULL, put_at DATETIME NOT NULL, INDEX IDX_A2914F2C33B92F39217BBB47 (label_id, person_id), PRIMARY KEY (person_id, label_id))'.self::TEXT);
        $this->addSql('CREATE TABLE saved_view (id BINARY(16) NOT NULL, person_id BINARY(16) NOT NULL, site_id BINARY(16) NOT NULL, name VARCHAR(60) NOT NULL, view VARCHAR(500) NOT NULL, UNIQUE INDEX UNIQ_F0C2599B217BBB47F6BD16465E237E06 (person_id, site_id, name), PRIMARY KEY (id))'.self::TEXT);
        $this->addSql('CREATE INDEX beginning ON enrollment_segment (site_id, from_at, until_at, state, role, listed, holds_seat)');
        $this->addSql('CREATE INDEX by_subject ON log_entry (person_id, at)');
    }
}
