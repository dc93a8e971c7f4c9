<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/**
 * Answers to several questions take more room than a line of why; who may look at numbers; starter sites; kinds of
 * sites in the rules of before.
 */
final class Version20261209000001 extends RepeatableMigration
{
    private const TEXT = ' DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`';

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE numbers_reader (id BINARY(16) NOT NULL, person_id BINARY(16) NOT NULL, '
                .'division_id BINARY(16) DEFAULT NULL, INDEX person (person_id), '
                .'INDEX IDX_EC472D3341859289 (division_id), PRIMARY KEY (id))'
                .self::TEXT,
        );
        $code = static fn(int $length): string => "VARCHAR($length) CHARACTER SET ascii COLLATE ascii_bin NOT NULL";
        $this->addSql(
            'CREATE TABLE starter_door (door_id BINARY(16) NOT NULL, division '.$code(32)
                .', site '.$code(32).', role '.$code(32).', PRIMARY KEY (door_id))'
                .self::TEXT,
        );
        $this->addSql(
            'ALTER TABLE starter_door ADD CONSTRAINT FK_2016B3CE58639EAE FOREIGN KEY (door_id) REFERENCES door (id)',
        );
        $this->addSql(
            'ALTER TABLE numbers_reader ADD CONSTRAINT FK_EC472D33217BBB47 FOREIGN KEY (person_id) '
                .'REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE numbers_reader ADD CONSTRAINT FK_EC472D3341859289 FOREIGN KEY (division_id) '
                .'REFERENCES division (id)',
        );
        // Of rules that were kept before kinds of sites were theirs: those that sites have.
        $this->addSql(
            <<<'SQL'
                UPDATE rule_book
                SET settings = JSON_MERGE_PATCH(settings, CONCAT('{"siteKinds":', (
                    SELECT JSON_ARRAYAGG(
                        JSON_OBJECT('code', k.kind, 'name', CONCAT(UPPER(LEFT(k.kind, 1)), SUBSTR(k.kind, 2)))
                    )
                    FROM (SELECT 'course' AS kind UNION SELECT DISTINCT kind FROM site) k
                ), '}'))
                WHERE JSON_EXTRACT(settings, '$.siteKinds') IS NULL
                SQL,
        );
        $this->addSql('ALTER TABLE waiter CHANGE why why LONGTEXT DEFAULT NULL');
    }
}
