<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

final class Version20261125000003 extends RepeatableMigration
{
    public function getDescription(): string
    {
        return 'Passwords that are to be changed at the next sign-in';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE account ADD must_change TINYINT DEFAULT 0 NOT NULL');
    }
}
