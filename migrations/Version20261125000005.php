<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

final class Version20261125000005 extends RepeatableMigration
{
    private const TEXT = ' DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`';

    private const CODE = 'VARCHAR(16) CHARACTER SET ascii COLLATE ascii_bin';

    public function getDescription(): string
    {
        return 'Doors on terms of their own: keys, the waiting line, invitations';
    }

    public function up(Schema $schema): void
    {
        $code = self::CODE;
        $this->addSql("ALTER TABLE door ADD terms JSON DEFAULT NULL, ADD from_at DATETIME DEFAULT '1000-01-01 00:00:00' NOT NULL, ADD until_at DATETIME DEFAULT '9999-12-31 00:00:00' NOT NULL, ADD version INT DEFAULT 1 NOT NULL, ADD made_by BINARY(16) DEFAULT NULL, ADD made_at DATETIME DEFAULT NULL");
        // What opens a door is looked up by a keyed hash, and shown again from a sealed copy: neither is of use without the house's secret.
        $this->addSql('CREATE TABLE door_key (door_id BINARY(16) NOT NULL, hash BINARY(32) NOT NULL, sealed VARBINARY(255) NOT NULL, PRIMARY KEY (door_id), UNIQUE INDEX hash (hash))');
        // The number of an arrival is given out under the site's lock, so that it is the order in which people came.
        $this->addSql("CREATE TABLE waiter (id BIGINT UNSIGNED AUTO_INCREMENT NOT NULL, site_id BINARY(16) NOT NULL, door_id BINARY(16) NOT NULL, person_id BINARY(16) NOT NULL, what $code NOT NULL, state $code NOT NULL, waits TINYINT DEFAULT NULL, section_id BINARY(16) DEFAULT NULL, why VARCHAR(300) DEFAULT NULL, ahead INT DEFAULT 0 NOT NULL, moved_why VARCHAR(300) DEFAULT NULL, made_at DATETIME NOT NULL, offered_until DATETIME DEFAULT NULL, decided_by BINARY(16) DEFAULT NULL, decided_at DATETIME DEFAULT NULL, PRIMARY KEY (id), UNIQUE INDEX once (door_id, person_id, waits), INDEX site (site_id, waits, what), INDEX person (person_id, waits), INDEX due (waits, offered_until))".self::TEXT);
        $this->addSql('CREATE TABLE invitation (id BINARY(16) NOT NULL, site_id BINARY(16) NOT NULL, door_id BINARY(16) NOT NULL, person_id BINARY(16) DEFAULT NULL, address VARCHAR(190) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL, words VARCHAR(2000) NOT NULL, holds TINYINT DEFAULT 0 NOT NULL, made_by BINARY(16) NOT NULL, made_at DATETIME NOT NULL, lapses_at DATETIME NOT NULL, remind_at DATETIME DEFAULT NULL, sent SMALLINT DEFAULT 1 NOT NULL, opened_at DATETIME DEFAULT NULL, answered_at DATETIME DEFAULT NULL, answered_by BINARY(16) DEFAULT NULL, withdrawn_at DATETIME DEFAULT NULL, unanswered TINYINT DEFAULT 1, PRIMARY KEY (id), UNIQUE INDEX once (door_id, address, unanswered), INDEX site (site_id, unanswered), INDEX person (person_id), INDEX lapsing (unanswered, lapses_at), INDEX reminding (unanswered, remind_at))'.self::TEXT);
        $this->addSql('CREATE TABLE invitation_link (token_hash BINARY(32) NOT NULL, invitation_id BINARY(16) NOT NULL, PRIMARY KEY (token_hash), INDEX invitation (invitation_id))');
        $this->addSql("CREATE TABLE door_try (id BIGINT UNSIGNED AUTO_INCREMENT NOT NULL, site_id BINARY(16) NOT NULL, door_id BINARY(16) NOT NULL, visitor BINARY(16) NOT NULL, person_id BINARY(16) DEFAULT NULL, slip $code NOT NULL, at DATETIME NOT NULL, PRIMARY KEY (id), INDEX site (site_id, at))".self::TEXT);
        $this->addSql('CREATE TABLE quiet (site_id BINARY(16) NOT NULL, person_id BINARY(16) NOT NULL, door_id BINARY(16) NOT NULL, warned_at DATETIME NOT NULL, goes_at DATETIME NOT NULL, PRIMARY KEY (site_id, person_id), INDEX going (goes_at))');
        $this->addSql('ALTER TABLE message MODIFY person_id BINARY(16) DEFAULT NULL, ADD invitation_id BINARY(16) DEFAULT NULL');
        $this->addSql('CREATE INDEX invitation ON message (invitation_id, id)');
    }
}
