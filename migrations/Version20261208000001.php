<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/**
 * Sites may be of no term; what was said of the first steps of a platform; the password of its mail server, sealed;
 * whose letter a message is; and those who register. A platform that has sites already has its first steps behind it.
 */
final class Version20261208000001 extends RepeatableMigration
{
    private const TEXT = ' DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`';

    public function up(Schema $schema): void
    {
        $code = static fn(string $type): string => "$type CHARACTER SET ascii COLLATE ascii_bin";
        $this->addSql('ALTER TABLE site CHANGE term_id term_id BINARY(16) DEFAULT NULL');
        $this->addSql('ALTER TABLE message ADD division '.$code('VARCHAR(32)').' DEFAULT NULL');
        $this->addSql(
            'CREATE TABLE first_step (step '.$code('VARCHAR(16)').' NOT NULL, state '.$code('VARCHAR(16)')
                .' NOT NULL, said_at DATETIME NOT NULL, said_by BINARY(16) DEFAULT NULL, PRIMARY KEY (step))'
                .self::TEXT,
        );
        $this->addSql(
            'CREATE TABLE mail_secret (id INT NOT NULL, sealed '.$code('LONGTEXT').' NOT NULL, PRIMARY KEY (id))'
                .self::TEXT,
        );
        $text = static fn(int $length): string => "VARCHAR($length) NOT NULL";
        $this->addSql(
            'CREATE TABLE registration (id BINARY(16) NOT NULL, division_id BINARY(16) NOT NULL, given_name '
                .$text(80).', family_name '.$text(80).', email VARCHAR(190) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin '
                .'NOT NULL, number VARCHAR(40) DEFAULT NULL, level SMALLINT DEFAULT NULL, asked_at DATETIME NOT NULL, '
                .'token_hash VARBINARY(32) DEFAULT NULL, confirmed_at DATETIME DEFAULT NULL, '
                .'INDEX IDX_62A8A7A741859289 (division_id), UNIQUE INDEX token (token_hash), '
                .'INDEX waiting (division_id, confirmed_at), PRIMARY KEY (id))'
                .self::TEXT,
        );
        $this->addSql(
            'CREATE TABLE registration_code (division_id BINARY(16) NOT NULL, sealed '.$code('LONGTEXT')
                .' NOT NULL, PRIMARY KEY (division_id))'
                .self::TEXT,
        );
        foreach (['registration' => 'FK_62A8A7A741859289', 'registration_code' => 'FK_D1F2A9A641859289'] as $of => $key) {
            $this->addSql(
                "ALTER TABLE $of ADD CONSTRAINT $key FOREIGN KEY (division_id) REFERENCES division (id)",
            );
        }
        foreach (['name', 'language', 'divisions', 'terms', 'numbers', 'roles', 'mail', 'people', 'site'] as $step) {
            $this->addSql(
                "INSERT IGNORE INTO first_step (step, state, said_at)
                 SELECT '$step', 'done', UTC_TIMESTAMP() FROM site WHERE taken_back = 0 LIMIT 1",
            );
        }
    }
}
