<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/**
 * Texts of messages have a version in each language, and go out in that of whoever they go to, or else of their
 * division. Until when something holds is a day that is filled in, no longer a piece of a sentence: words around it
 * that are left out with it stand in brackets.
 */
final class Version20261206000001 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        $ascii = 'CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT';
        $this->addSql("ALTER TABLE division ADD language VARCHAR(16) $ascii 'en-GB'");
        $this->addSql("ALTER TABLE division ADD time_zone VARCHAR(64) $ascii 'UTC'");
        $this->addSql(<<<'SQL'
            UPDATE division d
            SET time_zone = COALESCE(
                (
                    SELECT s.time_zone
                    FROM site s
                    WHERE s.division_id = d.id
                    GROUP BY s.time_zone
                    ORDER BY COUNT(*) DESC
                    LIMIT 1
                ),
                time_zone
            )
            SQL);
        $this->addSql("ALTER TABLE message ADD language VARCHAR(16) $ascii 'en'");
        $this->addSql(
            "ALTER TABLE message_template ADD language VARCHAR(16) $ascii 'en', "
                .'DROP PRIMARY KEY, ADD PRIMARY KEY (kind, of_id, language)',
        );
        $this->addSql(<<<'SQL'
            UPDATE message_template
            SET subject = IF(
                    CHAR_LENGTH(REGEXP_REPLACE(subject, '\\{\\s*until\\s*\\}', '[ until {until}]')) <= 150,
                    REGEXP_REPLACE(subject, '\\{\\s*until\\s*\\}', '[ until {until}]'),
                    subject
                ),
                body = REGEXP_REPLACE(body, '\\{\\s*until\\s*\\}', '[ until {until}]')
            SQL);
    }
}
