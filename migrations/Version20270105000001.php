<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** Whoever makes many changes has a few lists begun: they are found without looking at all that were applied. */
final class Version20270105000001 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('CREATE INDEX by_state ON change_list (made_by, state, made_at)');
    }
}
