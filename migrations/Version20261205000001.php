<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** How somebody wants days and numbers written, and by which clock; null for as their browser says. */
final class Version20261205000001 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        $ascii = 'CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL';
        $this->addSql("ALTER TABLE account ADD language VARCHAR(16) $ascii, ADD time_zone VARCHAR(64) $ascii");
    }
}
