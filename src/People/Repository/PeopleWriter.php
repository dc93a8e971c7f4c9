<?php

declare(strict_types=1);

namespace MintDoor\People\Repository;

use Doctrine\DBAL\Connection;
use MintDoor\Core\People\FurtherName;
use MintDoor\Core\Platform\DetailValue;
use MintDoor\Core\Time\Time;
use MintDoor\People\AlikeNumber;
use MintDoor\People\Facts;
use MintDoor\People\FoundBy;
use MintDoor\People\PersonName;
use MintDoor\People\Terms;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Instant;

/** Writes people with all they are found by, and their accounts, many to a statement. */
final readonly class PeopleWriter
{
    private BulkWriter $rows;

    private NameIndex $index;

    /**
     * @param ?BulkWriter $rows  that also writes what belongs to these people
     * @param ?BulkWriter $names that also writes what they are found by
     * @param bool        $noted whether rules are to look at them
     */
    public function __construct(
        Connection $db,
        ?BulkWriter $rows = null,
        ?BulkWriter $names = null,
        private bool $noted = true,
    ) {
        $this->rows = $rows ?? new BulkWriter($db);
        $this->index = new NameIndex($db, $names);
    }

    /**
     * @param string $id       a fresh one
     * @param string $division id
     */
    public function add(
        string $id,
        string $kind,
        string $division,
        Facts $facts,
        ?string $login,
    ): FoundBy {
        $sortName = PersonName::sorted($facts->given, $facts->family);
        $names = $this->findable($id, $division, $facts, $login);
        $this->rows->add('person', [
            'id' => BulkWriter::id($id),
            'kind' => $kind,
            'division_id' => BulkWriter::id($division),
            'given_name' => $facts->given,
            'family_name' => $facts->family,
            'sort_name' => $sortName,
            'terms' => $names,
            'level' => $facts->level,
            'preferred_name' => $facts->preferred,
            'further_names' => FurtherName::stored($facts->further),
            'number' => $facts->number,
            'email' => $facts->email,
            'own_kind' => $facts->ownKind,
        ]);
        if ($this->noted) {
            $this->rows->add('fact_change', ['person' => BulkWriter::id($id), 'what' => FactChanges::PERSON]);
        }

        return new FoundBy($sortName, $names, AlikeNumber::of($kind, $division, $facts->level));
    }

    /**
     * What somebody is found by: the words of their names, number and login, and the pairs of their names.
     *
     * @return string the words, each led by a blank
     */
    public function findable(string $id, string $division, Facts $facts, ?string $login): string
    {
        $terms = Terms::of($facts->names(), $facts->number, $login, $facts->furtherNames());
        $names = ' '.implode(' ', $terms);
        $sortName = PersonName::sorted($facts->given, $facts->family);
        foreach ($terms as $term) {
            $this->rows->add('person_term', [
                'term' => $term,
                'sort_name' => $sortName,
                'person_id' => BulkWriter::id($id),
                'names' => $names,
            ]);
        }
        $this->index->add($id, $division, $facts);

        return $names;
    }

    /** @param array<string, DetailValue> $values by code */
    public function details(string $person, array $values): void
    {
        foreach ($values as $code => $value) {
            if (null !== $value->text) {
                $this->rows->add('person_detail', [
                    'person_id' => BulkWriter::id($person),
                    'code' => $code,
                    'value' => $value->text,
                    'amount' => null === $value->amount ? null : (string) $value->amount,
                ]);
            }
        }
    }

    public function account(
        string $person,
        string $login,
        int $now,
        ?string $passwordHash = null,
        int $closedFrom = Time::FOREVER,
        bool $platformAdministrator = false,
    ): void {
        $this->rows->add('account', [
            'person_id' => BulkWriter::id($person),
            'login' => mb_strtolower($login),
            'password_hash' => $passwordHash,
            'closed_from' => Instant::toSql($closedFrom),
            'platform_administrator' => $platformAdministrator,
            'made_at' => Instant::toSql($now),
        ]);
    }

    public function write(): void
    {
        $this->rows->flush();
        $this->index->write();
    }
}
