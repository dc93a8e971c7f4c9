<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** Today finds what is rare by itself: messages that came back, leads that end, doors and sites that turn. */
final class Version20261204000001 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE account ADD today_seen_at DATETIME DEFAULT NULL');
        $this->addSql('CREATE INDEX by_state ON message (state, made_at)');
        $this->addSql('CREATE INDEX ending_leads ON enrollment_segment (leads, until_at, site_id)');
        $this->addSql('CREATE INDEX shutting ON door (until_at)');
        $this->addSql('CREATE INDEX opening ON site (opens_at)');
        $this->addSql('CREATE INDEX closing ON site (closes_at)');
        $this->addSql('CREATE INDEX news ON site (last_entry_at)');
    }
}
