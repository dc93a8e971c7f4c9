<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\RepeatableMigration;
use MintDoor\Shared\Row;
use MintDoor\Sites\Repository\SiteTerms;

/**
 * Looking people up by a word and sites by a part of one costs what a page of them does, however many there are: who
 * bears a word is read in the order of names, and sites have an index of the endings of their words.
 */
final class Version20261202000001 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE person_term ADD sort_name VARCHAR(164) NOT NULL DEFAULT '' AFTER term");
        $this->addSql(
            'UPDATE person_term w
             JOIN person p ON p.id = w.person_id
             SET w.sort_name = p.sort_name',
        );
        $this->addSql(
            'ALTER TABLE person_term
                MODIFY sort_name VARCHAR(164) NOT NULL,
                DROP PRIMARY KEY,
                ADD PRIMARY KEY (term, sort_name, person_id)',
        );
        $this->addSql(
            'CREATE TABLE site_term (
                inside TINYINT NOT NULL,
                term VARCHAR(48) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
                title VARCHAR(160) NOT NULL,
                site_id BINARY(16) NOT NULL,
                names VARCHAR(700) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
                INDEX IDX_9E955A74F6BD1646 (site_id),
                PRIMARY KEY (inside, term, title, site_id),
                CONSTRAINT FK_9E955A74F6BD1646 FOREIGN KEY (site_id) REFERENCES site (id)
             ) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`',
        );
        $this->work($this->findSites(...));
    }

    private function findSites(): void
    {
        $rows = new BulkWriter($this->connection);
        foreach ($this->connection->iterateAssociative('SELECT id, title, code FROM site') as $columns) {
            $row = new Row($columns);
            SiteTerms::addTo($rows, $row->id('id'), $row->string('title'), $row->string('code'));
        }
        $rows->flush();
    }
}
