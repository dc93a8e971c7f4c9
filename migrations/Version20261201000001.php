<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/**
 * What every page asks for, and the directory, cost the same however many people, sites and doors there are: the
 * highest level, the people in order with what they are narrowed by, and the doors of a kind come from indexes.
 */
final class Version20261201000001 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql(
            'ALTER TABLE person
                DROP INDEX by_name,
                ADD INDEX in_order (gone, sort_name, id, kind, division_id, level),
                ADD INDEX by_level (level)',
        );
        $this->addSql('ALTER TABLE site ADD INDEX by_level (level_highest), ADD INDEX there (taken_back)');
        $this->addSql('ALTER TABLE door ADD INDEX by_kind (kind, state)');
    }
}
