<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261127000001 extends AbstractMigration
{
    private const TEXT = ' DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`';

    private const CODE = 'VARCHAR(32) CHARACTER SET ascii COLLATE ascii_bin';

    public function getDescription(): string
    {
        return 'Authority: how high whoever set something stood, notices, what undoing needs';
    }

    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $code = self::CODE;
        $this->addSql('ALTER TABLE mark ADD height SMALLINT DEFAULT 0 NOT NULL');
        // Of what was set before, administrators' stays theirs; what other staff set is above what people do themselves.
        $this->addSql(
            'UPDATE mark m JOIN site s ON s.id = m.site_id SET m.height = IF(
                 EXISTS (SELECT 1 FROM account a WHERE a.person_id = m.put_by AND a.platform_administrator = 1)
                 OR EXISTS (SELECT 1 FROM division_administrator d
                            WHERE d.person_id = m.put_by AND d.division_id = s.division_id), 1000, 1)
             WHERE m.put_by IS NOT NULL AND m.put_by <> m.person_id',
        );
        $this->addSql('CREATE INDEX unanswered ON pass (accepted_at)');
        $this->addSql('ALTER TABLE change_sheet ADD undo_data JSON DEFAULT NULL');
        $this->addSql(
            "UPDATE change_sheet SET undo_data = work WHERE kind IN ('merge', 'sites') AND state = 'applied'",
        );
        $this->addSql(
            "CREATE TABLE notice (
                 id BINARY(16) NOT NULL, person_id BINARY(16) NOT NULL, code $code NOT NULL, data JSON NOT NULL,
                 by_id BINARY(16) DEFAULT NULL, at DATETIME NOT NULL, seen_at DATETIME DEFAULT NULL,
                 PRIMARY KEY (id), INDEX unseen (person_id, seen_at))".self::TEXT,
        );
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE notice');
        $this->addSql('ALTER TABLE change_sheet DROP undo_data');
        $this->addSql('DROP INDEX unanswered ON pass');
        $this->addSql('ALTER TABLE mark DROP height');
    }
}
