<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/** Names that somebody has besides, of which a former family name was the only one. */
final class Version20270104000001 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE person ADD further_names TEXT DEFAULT NULL');
        $this->addSql(
            "UPDATE person
                SET further_names = JSON_ARRAY(JSON_OBJECT('kind', 'former', 'given', '', 'family', former_name))
                WHERE former_name IS NOT NULL",
        );
        $this->addSql('ALTER TABLE person DROP former_name');
    }
}
