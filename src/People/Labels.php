<?php

declare(strict_types=1);

namespace MintDoor\People;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use MintDoor\Core\People\Reach;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Id;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;

/** Labels: short marks on people. One name is one label, however it is capitalised or accented. */
final readonly class Labels
{
    public const LONGEST = 40;

    public function __construct(private Connection $db, private Ids $ids) {}

    /**
     * @param list<string> $people ids
     *
     * @return array<string, list<string>> names by person; who has none is missing
     */
    public function ofPeople(array $people): array
    {
        $labels = [];
        // Ids are written out: binding hundreds of them takes longer than the statement.
        $ids = implode(', ', array_map(static fn(string $id): string => '0x'.bin2hex(Id::binary($id)), $people));
        foreach (
            '' === $ids
                ? []
                : Row::all(
                    $this->db->fetchAllAssociative(
                        'SELECT pl.person_id, l.name FROM person_label pl JOIN label l ON l.id = pl.label_id '
                            .'WHERE pl.person_id IN ('
                            .$ids
                            .') ORDER BY l.name',
                    ),
                ) as $row
        ) {
            $labels[$row->id('person_id')][] = $row->string('name');
        }

        return $labels;
    }

    /** @return list<string> */
    public function ofPerson(string $person): array
    {
        return array_map(
            static fn(Row $row): string => $row->string('name'),
            Row::all(
                $this->db->fetchAllAssociative(
                    <<<'SQL'
                        SELECT l.name
                        FROM person_label pl
                        JOIN label l ON l.id = pl.label_id
                        WHERE pl.person_id = ?
                        ORDER BY l.name
                        SQL,
                    [Id::binary($person)],
                ),
            ),
        );
    }

    /**
     * Labels that are on somebody of one's reach, or of a site, and contain what was typed.
     *
     * @return list<array{name: string, people: int}> those that begin with it first, then the most used
     */
    public function like(string $typed, int $most, Reach $reach, string $siteId): array
    {
        $within = $reach->everything
            ? '1'
            : '(p.division_id IN (SELECT id FROM division WHERE code IN (?)) OR EXISTS (SELECT 1 FROM enrollment e '
                .'WHERE e.site_id = ? AND e.person_id = p.id))';
        $rows = $this->db->fetchAllAssociative(
            'SELECT l.name, COUNT(*) AS people FROM label l JOIN person_label pl ON pl.label_id = l.id '
                .'JOIN person p ON p.id = pl.person_id WHERE l.name LIKE ? AND '
                .$within
                .' GROUP BY l.id, l.name ORDER BY l.name LIKE ? DESC, people DESC, l.name LIMIT '
                .$most,
            [
                '%'.addcslashes($typed, '%_\\').'%',
                ...$reach->everything ? [] : [$reach->divisions, Id::binary($siteId)],
                addcslashes($typed, '%_\\').'%',
            ],
            $reach->everything ? [] : [1 => ArrayParameterType::STRING],
        );

        return array_map(
            static fn(Row $row): array => ['name' => $row->string('name'), 'people' => $row->int('people')],
            Row::all($rows),
        );
    }

    /**
     * @param list<string> $people ids
     *
     * @return list<string> ids of those who bear the label
     */
    public function bearers(string $label, array $people): array
    {
        return array_map(
            static fn(Row $row): string => $row->id('person_id'),
            Row::all(
                $this->db->fetchAllAssociative(
                    <<<'SQL'
                        SELECT pl.person_id
                        FROM person_label pl
                        JOIN label l ON l.id = pl.label_id
                        WHERE l.name = ? AND pl.person_id IN (?)
                        SQL,
                    [$label, array_map(Id::binary(...), $people)],
                    [1 => ArrayParameterType::BINARY],
                ),
            ),
        );
    }

    /**
     * Puts a label on people, or takes it off them.
     *
     * @param non-empty-list<string> $people ids of those who do not bear it yet, or do
     */
    public function set(string $label, array $people, bool $on, string $by, int $now): void
    {
        $ids = array_map(Id::binary(...), $people);
        if (!$on) {
            $this->db->executeStatement(
                <<<'SQL'
                    DELETE pl
                    FROM person_label pl
                    JOIN label l ON l.id = pl.label_id
                    WHERE l.name = ? AND pl.person_id IN (?)
                    SQL,
                [$label, $ids],
                [1 => ArrayParameterType::BINARY],
            );

            return;
        }
        $this->db->executeStatement(
            'INSERT IGNORE INTO label (id, name, made_by) VALUES (?, ?, ?)',
            [Id::binary($this->ids->next()), $label, Id::binary($by)],
            [ParameterType::BINARY, ParameterType::STRING, ParameterType::BINARY],
        );
        $found = $this->db->fetchOne('SELECT id FROM label WHERE name = ?', [$label]);
        $rows = new BulkWriter($this->db);
        foreach ($people as $person) {
            $rows->add('person_label', [
                'person_id' => BulkWriter::id($person),
                'label_id' => BulkWriter::id(Id::text(\is_string($found) ? $found : '')),
                'put_by' => BulkWriter::id($by),
                'put_at' => Instant::toSql($now),
            ]);
        }
        $rows->flush();
    }
}
