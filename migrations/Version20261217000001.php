<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** A plan that is put away can be brought back; learners are told their place; several sites are planned together. */
final class Version20261217000001 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE site_plan ADD put_away_at DATETIME DEFAULT NULL');
        $this->addSql('ALTER TABLE site_plan ADD told_at DATETIME DEFAULT NULL');
        $this->addSql('ALTER TABLE site_plan ADD joint BINARY(16) DEFAULT NULL');
        $this->addSql('CREATE INDEX joint ON site_plan (joint)');
    }
}
