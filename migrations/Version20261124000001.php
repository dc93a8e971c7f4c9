<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** The whole of the first house. The tables behind entities come first, then those made by hand and spoken to in plain SQL. */
final class Version20261124000001 extends RepeatableMigration
{
    private const OWN_TABLES = ' DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_ai_ci';

    public function getDescription(): string
    {
        return 'People, sites, roster, sheets, logbook; sessions, throttle, idempotency';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE account (person_id BINARY(16) NOT NULL, login VARCHAR(80) CHARACTER SET utf8mb4 NOT NULL COLLATE `utf8mb4_bin`, password_hash VARCHAR(255) CHARACTER SET ascii DEFAULT NULL COLLATE `ascii_bin`, closed_from DATETIME NOT NULL, platform_administrator TINYINT NOT NULL, UNIQUE INDEX UNIQ_7D3656A4AA08CB10 (login), PRIMARY KEY (person_id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`');
        $this->addSql('CREATE TABLE change_sheet (id BINARY(16) NOT NULL, site_id BINARY(16) NOT NULL, made_by BINARY(16) NOT NULL, made_at DATETIME NOT NULL, state VARCHAR(16) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, INDEX IDX_DBEC2CAFF6BD164698817E56 (site_id, made_at), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`');
        $this->addSql('CREATE TABLE division (id BINARY(16) NOT NULL, code VARCHAR(32) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, name VARCHAR(120) NOT NULL, minors TINYINT NOT NULL, UNIQUE INDEX UNIQ_1017471477153098 (code), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`');
        $this->addSql('CREATE TABLE division_administrator (person_id BINARY(16) NOT NULL, division_id BINARY(16) NOT NULL, PRIMARY KEY (person_id, division_id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`');
        $this->addSql('CREATE TABLE door (id BINARY(16) NOT NULL, site_id BINARY(16) NOT NULL, kind VARCHAR(16) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, name VARCHAR(120) NOT NULL, state VARCHAR(8) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, INDEX IDX_8AE5542DF6BD16463BC4BCD9 (site_id, kind), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`');
        $this->addSql('CREATE TABLE enrollment (site_id BINARY(16) NOT NULL, person_id BINARY(16) NOT NULL, version INT NOT NULL, last_seen_at DATETIME DEFAULT NULL, terms VARCHAR(250) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, INDEX IDX_DBDCD7E1217BBB47 (person_id), PRIMARY KEY (site_id, person_id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`');
        $this->addSql('CREATE TABLE first_password (token_hash VARBINARY(32) NOT NULL, person_id BINARY(16) NOT NULL, expires_at DATETIME NOT NULL, PRIMARY KEY (token_hash)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`');
        $this->addSql('CREATE TABLE log_entry (id BINARY(16) NOT NULL, site_id BINARY(16) NOT NULL, sequence INT NOT NULL, at DATETIME NOT NULL, actor_id BINARY(16) NOT NULL, code VARCHAR(32) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, data JSON NOT NULL, person_id BINARY(16) DEFAULT NULL, line_id BINARY(16) DEFAULT NULL, address VARCHAR(45) CHARACTER SET ascii DEFAULT NULL COLLATE `ascii_bin`, schema_version SMALLINT NOT NULL, undone_by INT DEFAULT NULL, INDEX IDX_B5F762D4D7B7542 (line_id), UNIQUE INDEX UNIQ_B5F762DF6BD16465286D72B (site_id, sequence), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`');
        $this->addSql('CREATE TABLE mark (id BINARY(16) NOT NULL, site_id BINARY(16) NOT NULL, person_id BINARY(16) NOT NULL, kind VARCHAR(16) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, from_at DATETIME NOT NULL, until_at DATETIME NOT NULL, origin_id BINARY(16) NOT NULL, pass_id BINARY(16) DEFAULT NULL, role VARCHAR(32) CHARACTER SET ascii DEFAULT NULL COLLATE `ascii_bin`, put_by BINARY(16) DEFAULT NULL, ended_by BINARY(16) DEFAULT NULL, note VARCHAR(500) DEFAULT NULL, dates_from DATETIME DEFAULT NULL, dates_until DATETIME DEFAULT NULL, INDEX IDX_6674F27156A273CC (origin_id), INDEX IDX_6674F271F6BD1646217BBB47 (site_id, person_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`');
        $this->addSql('CREATE TABLE pass (id BINARY(16) NOT NULL, site_id BINARY(16) NOT NULL, person_id BINARY(16) NOT NULL, door_id BINARY(16) NOT NULL, role VARCHAR(32) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, given_at DATETIME NOT NULL, from_at DATETIME NOT NULL, until_at DATETIME NOT NULL, accepted_at DATETIME NOT NULL, since_at DATETIME NOT NULL, section_id BINARY(16) DEFAULT NULL, given_by BINARY(16) DEFAULT NULL, live TINYINT DEFAULT NULL, INDEX IDX_CE70D424F6BD1646217BBB47 (site_id, person_id), UNIQUE INDEX UNIQ_CE70D42458639EAE217BBB47530F2CAF (door_id, person_id, live), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`');
        $this->addSql('CREATE TABLE person (id BINARY(16) NOT NULL, kind VARCHAR(16) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, division_id BINARY(16) NOT NULL, given_name VARCHAR(80) NOT NULL, family_name VARCHAR(80) NOT NULL, sort_name VARCHAR(164) NOT NULL, terms VARCHAR(250) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, level SMALLINT DEFAULT NULL, preferred_name VARCHAR(80) DEFAULT NULL, former_name VARCHAR(80) DEFAULT NULL, number VARCHAR(32) CHARACTER SET ascii DEFAULT NULL COLLATE `ascii_bin`, email VARCHAR(190) CHARACTER SET utf8mb4 DEFAULT NULL COLLATE `utf8mb4_bin`, INDEX IDX_34DCD176E7927C74 (email), UNIQUE INDEX UNIQ_34DCD17696901F54 (number), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`');
        $this->addSql('CREATE TABLE role (id BINARY(16) NOT NULL, code VARCHAR(32) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, settings JSON NOT NULL, UNIQUE INDEX UNIQ_57698A6A77153098 (code), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`');
        $this->addSql('CREATE TABLE section (id BINARY(16) NOT NULL, site_id BINARY(16) NOT NULL, name VARCHAR(80) NOT NULL, meets VARCHAR(120) NOT NULL, INDEX IDX_2D737AEFF6BD1646 (site_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`');
        $this->addSql('CREATE TABLE sheet_line (id BINARY(16) NOT NULL, sheet_id BINARY(16) NOT NULL, position INT NOT NULL, site_id BINARY(16) NOT NULL, person_id BINARY(16) NOT NULL, verb VARCHAR(16) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, verdict VARCHAR(16) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, state_before JSON NOT NULL, state_after JSON NOT NULL, notes JSON NOT NULL, effects JSON NOT NULL, version_after INT NOT NULL, undoes BINARY(16) DEFAULT NULL, INDEX IDX_826AC4EBF6BD1646217BBB47 (site_id, person_id), UNIQUE INDEX UNIQ_826AC4EB8B1206A5462CE4F5 (sheet_id, position), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`');
        $this->addSql('CREATE TABLE site (id BINARY(16) NOT NULL, code VARCHAR(24) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, title VARCHAR(160) NOT NULL, kind VARCHAR(16) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, division_id BINARY(16) NOT NULL, term_id BINARY(16) NOT NULL, level_lowest SMALLINT DEFAULT NULL, level_highest SMALLINT DEFAULT NULL, seats INT DEFAULT NULL, lead_limit SMALLINT NOT NULL, time_zone VARCHAR(64) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, opens_at DATETIME NOT NULL, closes_at DATETIME NOT NULL, version INT NOT NULL, roster_version INT NOT NULL, log_sequence INT NOT NULL, INDEX IDX_694309E42B36786BBF396750 (title, id), INDEX IDX_694309E4418592892B36786BBF396750 (division_id, title, id), UNIQUE INDEX UNIQ_694309E477153098 (code), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`');
        $this->addSql('CREATE TABLE term (id BINARY(16) NOT NULL, code VARCHAR(32) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, name VARCHAR(120) NOT NULL, starts_on VARCHAR(10) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, ends_on VARCHAR(10) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, UNIQUE INDEX UNIQ_A50FE78D77153098 (code), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`');
        $this->addSql(<<<'SQL'
        CREATE TABLE enrollment_segment (
            site_id BINARY(16) NOT NULL, person_id BINARY(16) NOT NULL, from_at DATETIME NOT NULL, until_at DATETIME NOT NULL,
            state VARCHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
            role VARCHAR(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL COMMENT 'the highest-ranked of roles',
            roles VARCHAR(330) CHARACTER SET ascii COLLATE ascii_bin NOT NULL COMMENT 'codes, separated by blanks',
            `rank` SMALLINT NOT NULL, listed TINYINT NOT NULL, holds_seat TINYINT NOT NULL, leads TINYINT NOT NULL, since_at DATETIME NOT NULL,
            sort_name VARCHAR(164) NOT NULL,
            PRIMARY KEY (site_id, person_id, from_at),
            KEY by_name (site_id, sort_name, person_id, from_at, until_at, state, listed, role),
            KEY by_person (person_id, until_at, from_at),
            KEY counting (site_id, until_at, from_at, state, role, listed, holds_seat),
            KEY by_lead (site_id, leads, until_at)
        )
        SQL.self::OWN_TABLES);
        $this->addSql(<<<'SQL'
        CREATE TABLE site_count (
            site_id BINARY(16) NOT NULL PRIMARY KEY, roster_version INT NOT NULL, from_at DATETIME NOT NULL, until_at DATETIME NOT NULL,
            learners INT NOT NULL, staff INT NOT NULL, others INT NOT NULL, unlisted INT NOT NULL, seats_held INT NOT NULL
        )
        SQL.self::OWN_TABLES);
        $this->addSql(<<<'SQL'
        CREATE TABLE person_term (
            term VARCHAR(48) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, person_id BINARY(16) NOT NULL,
            names VARCHAR(250) CHARACTER SET ascii COLLATE ascii_bin NOT NULL COMMENT 'all terms of the person, each led by a blank',
            PRIMARY KEY (term, person_id), KEY by_person (person_id)
        )
        SQL.self::OWN_TABLES);
        $this->addSql(<<<'SQL'
        CREATE TABLE session (
            id BINARY(32) NOT NULL PRIMARY KEY, person_id BINARY(16) NULL, data BLOB NOT NULL, touched_at DATETIME NOT NULL,
            KEY by_person (person_id), KEY touched (touched_at)
        )
        SQL.self::OWN_TABLES);
        $this->addSql(<<<'SQL'
        CREATE TABLE throttle (id BINARY(32) NOT NULL PRIMARY KEY, hits INT NOT NULL, window_ends DATETIME NOT NULL, KEY ends (window_ends))
        SQL.self::OWN_TABLES);
        $this->addSql(<<<'SQL'
        CREATE TABLE idempotency (
            person_id BINARY(16) NOT NULL, id VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, body_hash BINARY(32) NOT NULL,
            status SMALLINT NULL, etag VARCHAR(32) CHARACTER SET ascii NULL, answer MEDIUMTEXT NULL, made_at DATETIME NOT NULL,
            PRIMARY KEY (person_id, id), KEY made (made_at)
        )
        SQL.self::OWN_TABLES);
    }
}
