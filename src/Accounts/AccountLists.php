<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Changes\ChangeLists;
use MintDoor\Core\Accounts\AccountLine;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\People\PersonKind;
use MintDoor\History\History;
use MintDoor\Messages\Messages;
use MintDoor\People\PersonRow;
use MintDoor\Roster\Caring;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Locks;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;

/** Change lists of accounts: applied, looked at, taken back. What changes something runs inside a transaction. */
final readonly class AccountLists
{
    private const PAGE = 500;

    /** Rows that are taken back together. */
    private const CHUNK = 1_000;

    public function __construct(
        private Connection $db,
        private AccountBatch $batch,
        private AccountRunner $runner,
        private ChangeLists $changeLists,
        private Messages $room,
        private History $history,
        private Accounts $accounts,
        private Caring $caring,
        private Locks $locks,
    ) {}

    public function apply(AccountBatchRequest $request, Caller $caller): void
    {
        $changeList = $request->changeList ?? throw Problem::field('/changeList', 'missing', 'Keep the change list '
            .'first, then apply it.');
        $record = $this->changeLists->row($changeList, $caller);
        $this->changeLists->mustBeKind($record, 'accounts');
        $this->changeLists->mustBe($record, ['draft'], 'This change list was applied already. Begin another.');
        $ready = array_values(
            array_filter(
                $this->batch->lines($request, $caller)[0],
                static fn(AccountLine $line): bool => Verdict::Ready === $line->verdict,
            ),
        );
        if ([] === $ready) {
            throw Problem::field('/text', 'nothing', 'There is no account to make yet. Complete a row first.');
        }
        $this->changeLists->take($changeList, \count($ready), $request->tell, $caller);
        $this->runner->begin($changeList, $ready);
    }

    /** @return array<string, mixed> schema `AccountSheet`: what became of the rows from a position on */
    public function page(string $changeList, int $after, Caller $caller): array
    {
        $this->changeLists->mustBeKind($this->changeLists->row($changeList, $caller), 'accounts');
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT r.position, r.row, r.outcome, r.reasons, r.made, r.person_id, a.login, a.password_hash IS NOT '
                    .'NULL AS has_password, m.id AS message_id, m.state AS message_state FROM account_row r '
                    .'LEFT JOIN account a ON a.person_id = r.person_id LEFT '
                    .'JOIN message m ON m.change_list_id = r.change_list_id '
                    .'AND m.position = r.position WHERE r.change_list_id = ? AND r.position > ? ORDER BY r.position '
                    .'LIMIT '
                    .(self::PAGE + 1),
                [Id::binary($changeList), $after],
            ),
        );
        $more = \count($rows) > self::PAGE;
        $rows = \array_slice($rows, 0, self::PAGE);
        $cards = $this->db->fetchFirstColumn(
            <<<'SQL'
                SELECT r.person_id
                FROM account_row r
                JOIN account a ON a.person_id = r.person_id
                WHERE r.change_list_id = ? AND r.outcome = 'ready' AND a.password_hash IS NULL
                ORDER BY r.position
                LIMIT 300
                SQL,
            [Id::binary($changeList)],
        );

        return [
            'rows' => array_map(static function (Row $row): array {
                $said = $row->json('row');

                return [
                    'row' => $row->int('position'),
                    'given' => \is_string($said['given'] ?? null) ? $said['given'] : '',
                    'family' => \is_string($said['family'] ?? null) ? $said['family'] : '',
                    'email' => \is_string($said['email'] ?? null) ? $said['email'] : null,
                    'outcome' => $row->stringOrNull('outcome'),
                    'reasons' => array_map(
                        static fn(mixed $note): array => [
                            'code' => ((array) $note)['code'] ?? '',
                            'values' => (object) (((array) $note)['values'] ?? []),
                        ],
                        array_values(null === $row->stringOrNull('reasons') ? [] : $row->json('reasons')),
                    ),
                    'made' => $row->stringOrNull('made'),
                    'person' => $row->idOrNull('person_id'),
                    'login' => $row->stringOrNull('login'),
                    'message' =>
                        null === $row->idOrNull('message_id')
                            ? null
                            : ['id' => $row->id('message_id'), 'state' => $row->string('message_state')],
                ];
            }, $rows),
            'withoutPassword' => array_map(
                static fn(mixed $id): string => Id::text(\is_string($id) ? $id : ''),
                $cards,
            ),
            'next' => $more ? $rows[self::PAGE - 1]->int('position') : null,
        ];
    }

    /**
     * Takes accounts back that nobody used: those that signed in, are in a site, or have a note stay.
     *
     * @return array<string, mixed> schema `AccountUndo`
     */
    public function takeBack(string $changeList, bool $apply, Caller $caller): array
    {
        $record = $this->changeLists->row($changeList, $caller);
        $this->changeLists->mustBeKind($record, 'accounts');
        if ($apply) {
            $this->changeLists->stop($changeList, 'account_row');
            $made = $this->db->fetchFirstColumn(
                "SELECT person_id FROM account_row WHERE change_list_id = ? AND outcome = 'ready'",
                [Id::binary($changeList)],
            );
            $this->locks->people(
                array_map(static fn(mixed $id): string => Id::text(\is_string($id) ? $id : ''), $made),
                alone: true,
            );
        }
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                <<<'SQL'
                    SELECT r.position, r.person_id, r.made, p.kind, pd.code AS division, p.given_name, p.family_name,
                        p.preferred_name, a.used_at IS NOT NULL AS used, a.platform_administrator,
                        a.password_hash IS NOT NULL AS has_password,
                        EXISTS (SELECT 1 FROM enrollment e WHERE e.person_id = r.person_id) AS enrolled,
                        EXISTS (SELECT 1 FROM person_note n WHERE n.person_id = r.person_id) AS noted,
                        EXISTS (SELECT 1 FROM division_administrator x WHERE x.person_id = r.person_id) AS administers
                    FROM account_row r
                    JOIN person p ON p.id = r.person_id
                    JOIN division pd ON pd.id = p.division_id
                    JOIN account a ON a.person_id = r.person_id
                    WHERE r.change_list_id = ? AND r.outcome = 'ready' AND p.gone IS NULL
                    ORDER BY r.position
                    SQL,
                [Id::binary($changeList)],
            ),
        );
        $lines = $people = $accounts = [];
        $lettingInto = $this->accounts->lettingInto($caller);
        $caretaker = $this->caring->caretaker($caller);
        foreach ($rows as $row) {
            $mine = $caretaker->mayMake(PersonKind::from($row->string('kind')), $row->string('division'), $lettingInto);
            $why = match (true) {
                !$mine => 'not-yours',
                $row->bool('used') => 'signed-in',
                $row->bool('administers'), $row->bool('platform_administrator') => 'administers',
                'person' === $row->string('made') && ($row->bool('enrolled') || $row->bool('noted')) => 'in-use',
                default => null,
            };
            if (null !== $why) {
                $lines[] = ['row' => $row->int('position'), 'name' => PersonRow::name($row), 'why' => $why];
            } else {
                $accounts[] = $row->id('person_id');
                'person' !== $row->string('made') || ($people[] = $row->id('person_id'));
            }
        }
        if ($apply) {
            if ([] === $accounts) {
                throw new Problem(ProblemType::UndoneAlready, 'Nothing of this change list is left to take back.');
            }
            $this->remove($changeList, $accounts, $people);
            $this->history->write(
                History::PLATFORM,
                $caller,
                array_map(
                    static fn(string $person): array => ['account-taken-back', ['changeList' => $changeList], $person],
                    $accounts,
                ),
            );
            $this->changeLists->insert('undo', null, $record->string('title'), 'applied', $caller, [
                'undoes' => BulkWriter::id($changeList),
                'total' => \count($rows),
                'done' => \count($rows),
                'applied' => \count($accounts),
            ]);
        }

        return ['ready' => \count($accounts), 'left' => \array_slice($lines, 0, 200)];
    }

    /**
     * @param list<string> $accounts ids of people whose account goes
     * @param list<string> $people   of those, the ones who go with it
     */
    private function remove(string $changeList, array $accounts, array $people): void
    {
        foreach (array_chunk($accounts, self::CHUNK) as $some) {
            $ids = [array_map(Id::binary(...), $some)];
            foreach (['account', 'session', 'first_password'] as $table) {
                $this->db->executeStatement("DELETE FROM $table WHERE person_id IN (?)", $ids, [
                    ArrayParameterType::BINARY,
                ]);
            }
            $this->db->executeStatement(
                "UPDATE account_row SET outcome = 'undone' WHERE change_list_id = ? AND person_id IN (?)",
                [Id::binary($changeList), ...$ids],
                [1 => ArrayParameterType::BINARY],
            );
        }
        foreach (array_chunk($people, self::CHUNK) as $some) {
            $ids = [array_map(Id::binary(...), $some)];
            foreach (['person_term', 'person_key', 'person_label'] as $table) {
                $this->db->executeStatement("DELETE FROM $table WHERE person_id IN (?)", $ids, [
                    ArrayParameterType::BINARY,
                ]);
            }
            $this->db->executeStatement(
                <<<'SQL'
                    UPDATE person
                    SET gone = 'taken-back', number = NULL, email = NULL, terms = '', version = version + 1
                    WHERE id IN (?)
                    SQL,
                $ids,
                [ArrayParameterType::BINARY],
            );
        }
        $this->room->withdraw('change_list_id', [$changeList]);
    }
}
