<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** Sections: seats, dates and an order of their own, kept in the timelines of people. */
final class Version20261212000001 extends RepeatableMigration
{
    private const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

    /** An id as text, of a section `%s`. */
    private const TEXT = <<<'SQL'
        LOWER(CONCAT_WS('-', SUBSTR(HEX(%1$s), 1, 8), SUBSTR(HEX(%1$s), 9, 4), SUBSTR(HEX(%1$s), 13, 4),
            SUBSTR(HEX(%1$s), 17, 4), SUBSTR(HEX(%1$s), 21)))
        SQL;

    public function up(Schema $schema): void
    {
        $this->addSql(
            "ALTER TABLE section ADD place SMALLINT DEFAULT 0 NOT NULL, ADD seats INT DEFAULT NULL,
                ADD from_at DATETIME DEFAULT '1000-01-01 00:00:00' NOT NULL,
                ADD until_at DATETIME DEFAULT '9999-12-31 00:00:00' NOT NULL,
                ADD retired TINYINT(1) DEFAULT 0 NOT NULL",
        );
        $this->addSql(
            'ALTER TABLE site ADD sections_apart TINYINT(1) DEFAULT 0 NOT NULL,
                ADD sections_several TINYINT(1) DEFAULT 0 NOT NULL',
        );
        $this->addSql('ALTER TABLE enrollment_override ADD sections VARCHAR(450) '.self::CODE.' DEFAULT NULL');
        $this->addSql(
            'ALTER TABLE enrollment_segment ADD sections VARCHAR(450) '.self::CODE." DEFAULT '' NOT NULL",
        );
        $this->addSql('DROP INDEX by_name ON enrollment_segment');
        $this->addSql(
            'CREATE INDEX by_name ON enrollment_segment
                (site_id, sort_name, person_id, from_at, until_at, state, listed, role, sections)',
        );
        $text = \sprintf(self::TEXT, 'w.section_id');
        // Whoever had nothing but what led into one section was in it all the time.
        $this->addSql(
            "UPDATE enrollment_segment g
            JOIN (
                SELECT w.site_id, w.person_id, MIN($text) AS sections
                FROM access_grant w
                GROUP BY w.site_id, w.person_id
                HAVING COUNT(*) = COUNT(w.section_id) AND COUNT(DISTINCT w.section_id) = 1
            ) one ON one.site_id = g.site_id AND one.person_id = g.person_id
            SET g.sections = one.sections
            WHERE g.roles <> ''",
        );
        // Of the others, what was given and not over at the beginning of a stretch.
        $this->addSql(
            "UPDATE enrollment_segment g
            JOIN (
                SELECT h.site_id, h.person_id, h.from_at,
                    GROUP_CONCAT(DISTINCT $text ORDER BY $text SEPARATOR ' ') AS sections
                FROM enrollment_segment h
                JOIN access_grant w ON w.site_id = h.site_id AND w.person_id = h.person_id AND w.section_id IS NOT NULL
                    AND w.given_at <= h.from_at AND w.until_at > h.from_at
                    AND (h.state NOT IN ('current', 'paused')
                        OR (w.from_at <= h.from_at AND w.accepted_at <= h.from_at))
                WHERE h.sections = '' AND h.roles <> '' AND h.state NOT IN ('ended', 'removed') AND NOT EXISTS (
                    SELECT 1 FROM enrollment_override m
                    WHERE m.grant_id = w.id AND m.from_at <= h.from_at AND m.until_at > h.from_at
                )
                GROUP BY h.site_id, h.person_id, h.from_at
            ) some ON some.site_id = g.site_id AND some.person_id = g.person_id AND some.from_at = g.from_at
            SET g.sections = some.sections",
        );
    }
}
