<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Repository;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Accounts\AccountOutcome;
use MintDoor\Accounts\Entity\AccountRow;
use MintDoor\Accounts\KeptRow;
use MintDoor\Core\Accounts\AccountLine;
use MintDoor\Core\Changes\Note;
use MintDoor\People\Repository\FactChanges;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Id;
use MintDoor\Shared\Row;

/**
 * Rows of change lists that make accounts. By hand: thousands are written and read some hundred at a time (`bin/bench`:
 * accounts made by a worker).
 *
 * @extends BaseRepository<AccountRow>
 */
final class AccountListRows extends BaseRepository
{
    protected const ENTITY = AccountRow::class;

    private const CARDS = 300;

    public function __construct(ManagerRegistry $managers, private readonly FactChanges $changes)
    {
        parent::__construct($managers);
    }

    /** @param list<AccountLine> $lines that are ready */
    public function write(string $changeList, array $lines): void
    {
        $rows = $this->bulk();
        foreach ($lines as $line) {
            $rows->add('account_row', [
                'change_list_id' => BulkWriter::id($changeList),
                'position' => $line->draft->row,
                'row' => KeptRow::of($line)->json(),
            ]);
        }
        $rows->flush();
    }

    /**
     * Change lists take turns, so that no address is given twice: until the transaction ends no other makes accounts.
     */
    public function takeTurns(): void
    {
        $this->rows('SELECT id FROM division ORDER BY id FOR UPDATE');
    }

    /** @return list<Row> the next ones that nothing became of yet, with `position` and `row` */
    public function next(string $changeList, int $most): array
    {
        return $this->rows(
            "SELECT position, row
             FROM account_row
             WHERE change_list_id = ? AND outcome IS NULL
             ORDER BY position
             LIMIT $most",
            [Id::binary($changeList)],
        );
    }

    public function anyLeft(string $changeList): bool
    {
        $sql = 'SELECT 1 FROM account_row WHERE change_list_id = ? AND outcome IS NULL LIMIT 1';

        return null !== $this->row($sql, [Id::binary($changeList)]);
    }

    /** @param list<AccountOutcome> $outcomes */
    public function settle(string $changeList, array $outcomes): void
    {
        $values = [];
        foreach ($outcomes as $outcome) {
            $reasons = array_map(
                static fn(Note $note): array => ['code' => $note->code, 'values' => (object) $note->values],
                $outcome->reasons,
            );
            $values[] = \sprintf(
                "(%s, %d, '{}', '%s', %s, %s, '%s')",
                (string) BulkWriter::id($changeList)?->sql,
                $outcome->draft->row,
                null === $outcome->person ? 'refused' : 'ready',
                $this->connection()->quote(json_encode($reasons, \JSON_THROW_ON_ERROR)),
                BulkWriter::id($outcome->person)->sql ?? 'NULL',
                null === $outcome->known ? 'person' : 'account',
            );
        }
        if ([] !== $values) {
            $this->execute(
                'INSERT INTO account_row (change_list_id, position, row, outcome, reasons, person_id, made)
                 VALUES '.implode(', ', $values).'
                 ON DUPLICATE KEY UPDATE outcome = VALUES(outcome), reasons = VALUES(reasons),
                    person_id = VALUES(person_id), made = VALUES(made)',
            );
        }
    }

    /** Rows that nothing became of yet will not be made. */
    public function stop(string $changeList): void
    {
        $this->execute(
            <<<'SQL'
                UPDATE account_row
                SET outcome = 'refused', reasons = '[{"code":"stopped","values":{}}]'
                WHERE change_list_id = ? AND outcome IS NULL
                SQL,
            [Id::binary($changeList)],
        );
    }

    /**
     * Rows from a position on as they are shown.
     *
     * @return list<Row> with `position`, `row`, `outcome`, `reasons`, `made`, `person_id`, `login`, `message_id`,
     *     `message_state`
     */
    public function page(string $changeList, int $after, int $most): array
    {
        return $this->rows(
            "SELECT r.position, r.row, r.outcome, r.reasons, r.made, r.person_id, a.login, m.id AS message_id,
                m.state AS message_state
             FROM account_row r
             LEFT JOIN account a ON a.person_id = r.person_id
             LEFT JOIN message m ON m.change_list_id = r.change_list_id AND m.position = r.position
             WHERE r.change_list_id = ? AND r.position > ?
             ORDER BY r.position
             LIMIT $most",
            [Id::binary($changeList), $after],
        );
    }

    /** @return list<string> ids of people who have no password yet, for whom cards are made */
    public function withoutPassword(string $changeList): array
    {
        $rows = $this->rows(
            "SELECT r.person_id
             FROM account_row r
             JOIN account a ON a.person_id = r.person_id
             WHERE r.change_list_id = ? AND r.outcome = 'ready' AND a.password_hash IS NULL
             ORDER BY r.position
             LIMIT ".self::CARDS,
            [Id::binary($changeList)],
        );

        return array_map(static fn(Row $row): string => $row->id('person_id'), $rows);
    }

    /** @return list<string> ids of people who got an account by it */
    public function people(string $changeList): array
    {
        $sql = "SELECT person_id FROM account_row WHERE change_list_id = ? AND outcome = 'ready'";

        return array_map(
            static fn(Row $row): string => $row->id('person_id'),
            $this->rows($sql, [Id::binary($changeList)]),
        );
    }

    /** @return list<Row> what became of them since: `used`, `enrolled`, `noted`, `administers`, and who they are */
    public function since(string $changeList): array
    {
        return $this->rows(
            <<<'SQL'
                SELECT r.position, r.person_id, r.made, p.kind, pd.code AS division, p.given_name, p.family_name,
                    p.preferred_name, a.used_at IS NOT NULL AS used,
                    EXISTS (SELECT 1 FROM enrollment e WHERE e.person_id = r.person_id) AS enrolled,
                    EXISTS (SELECT 1 FROM person_note n WHERE n.person_id = r.person_id) AS noted,
                    a.platform_administrator = 1
                        OR EXISTS (SELECT 1 FROM division_administrator x WHERE x.person_id = r.person_id)
                        AS administers
                FROM account_row r
                JOIN person p ON p.id = r.person_id
                JOIN division pd ON pd.id = p.division_id
                JOIN account a ON a.person_id = r.person_id
                WHERE r.change_list_id = ? AND r.outcome = 'ready' AND p.gone IS NULL
                ORDER BY r.position
                SQL,
            [Id::binary($changeList)],
        );
    }

    /**
     * Takes accounts away again, with all that only belonged to them.
     *
     * @param list<string> $people ids, some at a time
     */
    public function removeAccounts(string $changeList, array $people): void
    {
        $ids = self::binary($people);
        foreach (['account', 'session', 'first_password', 'calendar_address'] as $table) {
            $this->execute("DELETE FROM $table WHERE person_id IN (?)", [$ids]);
        }
        $this->execute("UPDATE account_row SET outcome = 'undone' WHERE change_list_id = ? AND person_id IN (?)", [
            Id::binary($changeList),
            $ids,
        ]);
    }

    /**
     * Takes people out of the directory again who came into it with their account.
     *
     * @param list<string> $people ids, some at a time
     */
    public function removePeople(array $people): void
    {
        $ids = self::binary($people);
        $this->changes->note($people, FactChanges::PERSON);
        foreach (['person_term', 'person_key', 'person_label'] as $table) {
            $this->execute("DELETE FROM $table WHERE person_id IN (?)", [$ids]);
        }
        $this->execute(
            <<<'SQL'
                UPDATE person
                SET gone = 'taken-back', number = NULL, email = NULL, terms = '', version = version + 1
                WHERE id IN (?)
                SQL,
            [$ids],
        );
    }

    /** What a row said of somebody is kept no more. */
    public function forgetRowsOf(string $person): void
    {
        $this->execute("UPDATE account_row SET row = '{}' WHERE person_id = ?", [Id::binary($person)]);
    }
}
