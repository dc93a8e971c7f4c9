<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

final class Version20261127000001 extends RepeatableMigration
{
    private const TEXT = ' DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`';

    private const CODE = 'VARCHAR(32) CHARACTER SET ascii COLLATE ascii_bin';

    public function getDescription(): string
    {
        return 'Authority: how high whoever set something stood, notices, what undoing needs';
    }

    public function up(Schema $schema): void
    {
        $code = self::CODE;
        $this->addSql('ALTER TABLE mark ADD height SMALLINT DEFAULT 0 NOT NULL');
        // Of what was set before, administrators' stays theirs; what other staff set is above what people do themselves.
        $this->addSql(
            'UPDATE mark m JOIN site s ON s.id = m.site_id SET m.height = IF(
                 EXISTS (SELECT 1 FROM account a WHERE a.person_id = m.put_by AND a.platform_administrator = 1)
                 OR EXISTS (SELECT 1 FROM division_administrator d
                            WHERE d.person_id = m.put_by AND d.division_id = s.division_id), 1000, 1)
             WHERE m.put_by IS NOT NULL AND m.put_by <> m.person_id',
        );
        $this->addSql('CREATE INDEX unanswered ON pass (accepted_at)');
        $this->addSql('ALTER TABLE change_sheet ADD undo_data JSON DEFAULT NULL');
        $this->addSql(
            "UPDATE change_sheet SET undo_data = work WHERE kind IN ('merge', 'sites') AND state = 'applied'",
        );
        $this->addSql(
            "CREATE TABLE notice (
                 id BINARY(16) NOT NULL, person_id BINARY(16) NOT NULL, code $code NOT NULL, data JSON NOT NULL,
                 by_id BINARY(16) DEFAULT NULL, at DATETIME NOT NULL, seen_at DATETIME DEFAULT NULL,
                 PRIMARY KEY (id), INDEX unseen (person_id, seen_at))".self::TEXT,
        );
        $this->addSql('ALTER TABLE account ADD card_until DATETIME DEFAULT NULL');
        // Sessions of before know neither when they began nor where: whoever has one signs in again.
        $this->addSql('DELETE FROM session');
        $this->addSql(
            "ALTER TABLE session ADD made_at DATETIME NOT NULL, ADD ends_at DATETIME NOT NULL,
                 ADD address VARCHAR(45) DEFAULT NULL, ADD device VARCHAR(40) NOT NULL DEFAULT '',
                 ADD renew TINYINT NOT NULL DEFAULT 0, ADD INDEX ends (ends_at)",
        );
        // Answers and letters were kept in clear.
        $this->addSql('DELETE FROM idempotency');
        $this->addSql('DELETE FROM letter');
        $this->addSql(
            "CREATE TABLE security_entry (
                 sequence BIGINT NOT NULL, at DATETIME NOT NULL, code $code NOT NULL, person_id BINARY(16) DEFAULT NULL,
                 by_id BINARY(16) DEFAULT NULL, site_id BINARY(16) DEFAULT NULL, division_id BINARY(16) DEFAULT NULL,
                 address VARCHAR(45) DEFAULT NULL, place CHAR(64) CHARACTER SET ascii NOT NULL, data TEXT NOT NULL,
                 hash CHAR(64) CHARACTER SET ascii NOT NULL, PRIMARY KEY (sequence), INDEX at (at),
                 INDEX person (person_id, sequence), INDEX by_whom (by_id, sequence),
                 INDEX division (division_id, sequence))".self::TEXT,
        );
        $this->addSql(
            'CREATE TABLE security_chain (
                 id TINYINT NOT NULL, entries BIGINT NOT NULL, sealed VARBINARY(255) NOT NULL, PRIMARY KEY (id))',
        );
        $this->addSql("INSERT INTO security_chain (id, entries, sealed) VALUES (1, 0, '')");
    }
}
