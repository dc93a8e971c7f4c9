<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** Who begins later holds no seat before: what is kept of counts is counted anew. */
final class Version20261128000003 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('DELETE FROM site_count');
    }
}
