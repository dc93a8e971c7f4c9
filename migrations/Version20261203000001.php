<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\People\AlikeNumber;
use MintDoor\Shared\RepeatableMigration;

/**
 * What other rules would do to a million enrollments is counted from the rosters alone: they keep with whom their
 * people are alike.
 */
final class Version20261203000001 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE enrollment_segment ADD alike BIGINT NOT NULL DEFAULT 0');
        $this->addSql(
            'UPDATE enrollment_segment g
             JOIN person p ON p.id = g.person_id
             SET g.alike = '.AlikeNumber::SQL,
        );
        $this->addSql('ALTER TABLE enrollment_segment MODIFY alike BIGINT NOT NULL');
    }
}
