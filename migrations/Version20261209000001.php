<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** Answers to several questions take more room than a line of why. */
final class Version20261209000001 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE waiter CHANGE why why LONGTEXT DEFAULT NULL');
    }
}
