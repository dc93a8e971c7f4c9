<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** A site that became part of another one. */
final class Version20261214000001 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE site ADD merged_into BINARY(16) DEFAULT NULL');
        $this->addSql(
            'ALTER TABLE site ADD CONSTRAINT FK_694309E4A6A0AE8D FOREIGN KEY (merged_into) REFERENCES site (id)',
        );
        $this->addSql('CREATE INDEX merged ON site (merged_into)');
    }
}
