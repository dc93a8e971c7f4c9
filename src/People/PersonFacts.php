<?php

declare(strict_types=1);

namespace MintDoor\People;

use Doctrine\DBAL\Connection;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Id;
use MintDoor\Shared\Locks;
use MintDoor\Shared\Row;

/**
 * Names, number and address of somebody, and all they are found by: the words of the directory, the keys of pasted
 * lines, the names in rosters. Runs inside a transaction.
 *
 * @phpstan-type Facts array{given: string, family: string, preferred: ?string, former: ?string, level: ?int,
 *     number: ?string, email: ?string}
 */
final readonly class PersonFacts
{
    public function __construct(private Connection $db, private Locks $locks) {}

    /** @return Facts */
    public static function of(Row $row): array
    {
        return [
            'given' => $row->string('given_name'),
            'family' => $row->string('family_name'),
            'preferred' => $row->stringOrNull('preferred_name'),
            'former' => $row->stringOrNull('former_name'),
            'level' => $row->intOrNull('level'),
            'number' => $row->stringOrNull('number'),
            'email' => $row->stringOrNull('email'),
        ];
    }

    /**
     * @param Facts   $facts
     * @param ?string $gone  why they are in the directory no more: then nothing finds them
     */
    public function write(string $person, array $facts, ?string $gone = null, ?string $into = null): void
    {
        $this->locks->people([$person], alone: true);
        $id = Id::binary($person);
        $this->forget($person);
        $row = new Row(
            $this->db->fetchAssociative(
                <<<'SQL'
                    SELECT p.division_id, p.email, a.login
                    FROM person p
                    LEFT JOIN account a ON a.person_id = p.id
                    WHERE p.id = ?
                    SQL,
                [$id],
            )
            ?: [],
        );
        // A link that went to another address than theirs is over.
        if ($row->stringOrNull('email') !== $facts['email']) {
            $this->db->executeStatement('DELETE FROM first_password WHERE person_id = ?', [$id]);
        }
        $terms = '';
        if (null === $gone) {
            $writer = new PeopleWriter($this->db);
            $terms = $writer->findable(
                $person,
                $row->id('division_id'),
                $facts['given'],
                $facts['family'],
                $facts['preferred'],
                $facts['former'],
                $facts['number'],
                $facts['email'],
                $row->stringOrNull('login'),
            );
            $writer->write();
        }
        $sort = PeopleWriter::sortName($facts['given'], $facts['family']);
        $this->db->executeStatement(
            <<<'SQL'
                UPDATE person
                SET given_name = ?, family_name = ?, preferred_name = ?, former_name = ?, level = ?, number = ?,
                    email = ?, sort_name = ?, terms = ?, gone = ?, gone_into = ?, version = version + 1
                WHERE id = ?
                SQL,
            [
                $facts['given'],
                $facts['family'],
                $facts['preferred'],
                $facts['former'],
                $facts['level'],
                $facts['number'],
                $facts['email'],
                $sort,
                $terms,
                $gone,
                null === $into ? null : Id::binary($into),
                $id,
            ],
        );
        $this->db->executeStatement('UPDATE enrollment SET terms = ? WHERE person_id = ?', [$terms, $id]);
        $this->db->executeStatement('UPDATE enrollment_segment SET sort_name = ? WHERE person_id = ?', [$sort, $id]);
    }

    /** Takes away what somebody is found by. */
    private function forget(string $person): void
    {
        foreach (['person_term', 'person_key'] as $table) {
            $this->db->executeStatement("DELETE FROM $table WHERE person_id = ".BulkWriter::id($person)?->sql);
        }
    }
}
