<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

final class Version20261128000001 extends RepeatableMigration
{
    public function getDescription(): string
    {
        return 'One address a person, one clock a site, and a counter for the history of the platform';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE site ADD last_entry_at DATETIME DEFAULT '1000-01-01 00:00:00' NOT NULL");
        $this->addSql(
            'UPDATE site s JOIN (SELECT site_id, MAX(at) AS at FROM log_entry GROUP BY site_id) l ON l.site_id = s.id
             SET s.last_entry_at = l.at',
        );
        $this->addSql(
            'CREATE TABLE platform_counter (id TINYINT NOT NULL, log_sequence INT NOT NULL, PRIMARY KEY (id))
             DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`',
        );
        $this->addSql(
            'INSERT INTO platform_counter (id, log_sequence)
             SELECT 1, COALESCE(MAX(sequence), 0) FROM log_entry WHERE site_id = UNHEX(REPEAT(\'00\', 16))',
        );
        // Where several came to have one address, nobody signed in with it: whoever had it first keeps it, the others are
        // told at their next sign-in.
        $shared = 'person p JOIN person first ON first.email = p.email AND first.id < p.id';
        $this->addSql(
            "INSERT INTO notice (id, person_id, code, data, at)
             SELECT UNHEX(REPLACE(UUID(), '-', '')), p.id, 'facts', JSON_OBJECT('fields', 'e-mail address'), UTC_TIMESTAMP()
             FROM $shared GROUP BY p.id",
        );
        $this->addSql("DELETE k FROM person_key k JOIN (SELECT DISTINCT p.id, p.email FROM $shared) s
             ON s.id = k.person_id AND k.code = LEFT(CONCAT('@', LOWER(SUBSTRING_INDEX(s.email, '@', 1))), 64)");
        $this->addSql("UPDATE person g JOIN (SELECT DISTINCT p.id FROM $shared) s ON s.id = g.id
             SET g.email = NULL, g.version = g.version + 1");
        $this->addSql('ALTER TABLE person DROP INDEX IDX_34DCD176E7927C74, ADD UNIQUE INDEX UNIQ_34DCD176E7927C74 (email)');
    }
}
