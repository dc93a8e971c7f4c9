<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/**
 * How somebody wants days and numbers written, and by which clock; null for as their browser says. Sites are counted by
 * division from an index, and who asks is found among many who wait for a seat.
 */
final class Version20261205000001 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        $ascii = 'CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL';
        $this->addSql("ALTER TABLE account ADD language VARCHAR(16) $ascii, ADD time_zone VARCHAR(64) $ascii");
        $this->addSql('CREATE INDEX counting ON site (division_id, taken_back, opens_at, closes_at)');
        $this->addSql('CREATE INDEX asking ON waiter (waits, what, made_at)');
    }
}
