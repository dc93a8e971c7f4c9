<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\Accounts\AccountDraft;
use MintDoor\Core\Accounts\AccountLine;
use MintDoor\Core\Accounts\AccountPlan;
use MintDoor\Core\Changes\Note;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\People\PersonKind;
use MintDoor\History\History;
use MintDoor\People\PeopleWriter;
use MintDoor\People\PersonRow;
use MintDoor\Roster\Caring;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Id;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Locks;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;
use MintDoor\Shared\Transaction;
use MintDoor\Sites\Divisions;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;

/**
 * Makes the accounts of a change list, some at a time: what was taken in the meantime is set aside, what became of each
 * row and the job for the next are written in one transaction. Change lists take turns, so that no address is given
 * twice.
 */
final readonly class AccountRunner
{
    private const CHUNK = 500;

    /** A change list of so many rows is made while one waits. */
    private const AT_ONCE = 200;

    public function __construct(
        private Connection $db,
        private AccountBatch $batch,
        private Accounts $accounts,
        private Caring $caring,
        private Divisions $divisions,
        private CallerProvider $callers,
        private Transaction $transaction,
        private MessageBusInterface $bus,
        private PlatformClock $clock,
        private Ids $ids,
        private History $history,
        private AccountNotifier $notifier,
        private Locks $locks,
    ) {}

    #[AsMessageHandler]
    public function __invoke(MakeAccounts $job): void
    {
        $this->transaction->job([], fn(): bool => $this->chunk($job->changeList, fn() => $this->bus->dispatch($job)));
    }

    /**
     * Writes down what is to be made, and makes it, or hands it to a worker when it is much. Runs inside a transaction.
     *
     * @param list<AccountLine> $lines that are ready
     */
    public function begin(string $changeList, array $lines): void
    {
        $rows = new BulkWriter($this->db);
        foreach ($lines as $line) {
            $rows->add('account_row', [
                'change_list_id' => BulkWriter::id($changeList),
                'position' => $line->draft->row,
                'row' => json_encode(
                    [
                        ...AccountBatch::json($line->draft),
                        'text' => $line->draft->text,
                        'login' => $line->draft->login,
                        'known' => $line->known,
                    ],
                    \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE,
                ),
            ]);
        }
        $rows->flush();
        if (\count($lines) <= self::AT_ONCE) {
            $this->chunk($changeList, static fn() => null);
        } else {
            $this->bus->dispatch(new MakeAccounts($changeList));
        }
    }

    /**
     * @param callable(): mixed $then called in the same transaction when others are left
     *
     * @return bool whether others are left
     */
    private function chunk(string $changeList, callable $then): bool
    {
        $record = new Row(
            $this->db->fetchAssociative('SELECT state, changed_by, tell FROM change_list WHERE id = ? FOR UPDATE', [
                Id::binary($changeList),
            ])
            ?: [],
        );
        if ('applying' !== $record->string('state')) {
            return false;
        }
        $this->db->fetchFirstColumn('SELECT id FROM division ORDER BY id FOR UPDATE');
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT position, row FROM account_row WHERE change_list_id = ? AND outcome IS NULL ORDER BY position '
                    .'LIMIT '
                    .self::CHUNK,
                [Id::binary($changeList)],
            ),
        );
        $drafts = $known = [];
        foreach ($rows as $row) {
            [$drafts[], $known[$row->int('position')]] = self::draft($row);
        }
        $this->locks->people(array_values(array_filter($known)), alone: true);
        $made = [];
        foreach ($this->plan($drafts, array_filter($known), $record) as $line) {
            $made[] = $this->made($line, $known[$line->draft->row]);
        }
        $this->write($changeList, $made, $record);
        $left =
            false
            !== $this->db->fetchOne('SELECT 1 FROM account_row WHERE change_list_id = ? AND outcome IS NULL LIMIT 1', [
                Id::binary($changeList),
            ]);
        $this->db->executeStatement(
            <<<'SQL'
                UPDATE change_list
                SET done = done + ?, applied = applied + ?, changed_at = ?, state = ?, version = version + 1
                WHERE id = ?
                SQL,
            [
                \count($rows),
                \count(array_filter($made, static fn(array $each): bool => null !== $each['person'])),
                Instant::toSql($this->clock->instant()),
                $left ? 'applying' : 'applied',
                Id::binary($changeList),
            ],
        );
        if ($left) {
            $then();
        }

        return $left;
    }

    /**
     * Judged once more, with the rights of whoever applies it, against what is taken by now.
     *
     * @param list<AccountDraft>  $drafts
     * @param array<int, string>  $known  people of the directory the rows are for
     *
     * @return list<AccountLine>
     */
    private function plan(array $drafts, array $known, Row $record): array
    {
        try {
            $caller = $this->callers->byId($record->id('changed_by'));
        } catch (UserNotFoundException) {
            return array_map(
                static fn(AccountDraft $draft): AccountLine => new AccountLine($draft, Verdict::Refused, [
                    new Note('no-account-to-apply'),
                ]),
                $drafts,
            );
        }
        $lettingInto = $this->accounts->lettingInto($caller);
        $caretaker = $this->caring->caretaker($caller);
        $may = static fn(PersonKind $kind, string $division): bool => $caretaker->mayMake(
            $kind,
            $division,
            $lettingInto,
        );
        $holders = $this->batch->holders($drafts);
        $rows = $this->rows(array_values($known));
        // Namesakes were settled before.
        $settled = array_fill_keys(
            array_map(static fn(AccountDraft $draft): int => $draft->row, $drafts),
            AccountPlan::NEW,
        );
        $lines = (new AccountPlan(
            [],
            [],
            $this->batch->taken($drafts),
            [],
            $settled,
            static fn(): bool => true,
        ))->lines($drafts, []);

        return array_map(static function (AccountLine $line) use ($holders, $known, $rows, $may): AccountLine {
            $for = $known[$line->draft->row] ?? null;
            $row = null === $for ? null : $rows[$for] ?? null;
            $others = array_diff(
                array_merge(
                    [],
                    ...array_map(
                        static fn(string $each): array => $holders[$each] ?? [],
                        array_values($line->draft->identifiers()),
                    ),
                ),
                (array) $for,
            );
            $reason = match (true) {
                [] !== $others => new Note('taken', ['field' => 'number']),
                null !== $for && (null === $row || null !== $row->stringOrNull('login')) => new Note('has-account'),
                !(null === $row
                    ? $may($line->draft->kind, $line->draft->division)
                    : $may(PersonRow::person($row)->kind, PersonRow::person($row)->division)) =>
                    new Note('not-yours-to-make', ['field' => 'division']),
                default => null,
            };

            return null !== $reason ? new AccountLine($line->draft, Verdict::Refused, [$reason]) : $line;
        }, $lines);
    }

    /** @return array{draft: AccountDraft, person: ?string, login: ?string, known: ?string, reasons: list<Note>} */
    private function made(AccountLine $line, ?string $known): array
    {
        $ready = Verdict::Refused !== $line->verdict;

        return [
            'draft' => $line->draft,
            'person' => $ready ? $known ?? $this->ids->next() : null,
            'login' => $line->login,
            'known' => $known,
            'reasons' => $ready ? [] : $line->reasons,
        ];
    }

    /**
     * @param list<array{
     *     draft: AccountDraft,
     *     person: ?string,
     *     login: ?string,
     *     known: ?string,
     *     reasons: list<Note>,
     * }> $made
     */
    private function write(string $changeList, array $made, Row $record): void
    {
        $people = new PeopleWriter($this->db);
        $divisions = $this->divisions->all();
        $now = $this->clock->instant();
        $outcomes = $entries = [];
        foreach ($made as $each) {
            ['draft' => $draft, 'person' => $person, 'login' => $login] = $each;
            ['known' => $known, 'reasons' => $reasons] = $each;
            $outcomes[] = \sprintf(
                "(%s, %d, '{}', '%s', %s, %s, '%s')",
                (string) BulkWriter::id($changeList)?->sql,
                $draft->row,
                null === $person ? 'refused' : 'ready',
                $this->db->quote(
                    json_encode(
                        array_map(
                            static fn(Note $note): array => ['code' => $note->code, 'values' => (object) $note->values],
                            $reasons,
                        ),
                        \JSON_THROW_ON_ERROR,
                    ),
                ),
                null === $person ? 'NULL' : (string) BulkWriter::id($person)?->sql,
                null === $known ? 'person' : 'account',
            );
            if (null !== $person) {
                if (null === $known) {
                    $people->add(
                        $person,
                        $draft->kind->value,
                        $divisions[$draft->division]['id'] ?? Id::NONE,
                        $draft->given,
                        $draft->family,
                        $draft->level,
                        $draft->number,
                        $draft->email,
                        $login,
                        $draft->preferred,
                        null,
                    );
                }
                $people->account($person, (string) $login, $now);
                $entries[] = ['account-made', ['changeList' => $changeList], $person];
            }
        }
        $people->write();
        if ([] !== $outcomes) {
            $this->db->executeStatement(
                'INSERT INTO account_row (change_list_id, position, row, outcome, reasons, person_id, made) VALUES '
                    .implode(', ', $outcomes)
                    .' ON DUPLICATE KEY UPDATE outcome = VALUES(outcome), reasons = VALUES(reasons), person_id = '
                        .'VALUES(person_id), made = VALUES(made)',
            );
        }
        if ([] !== $entries) {
            $by = $this->callers->byId($record->id('changed_by'));
            $this->history->write(History::PLATFORM, $by, $entries);
            $rows =
                null === $record->stringOrNull('tell')
                    ? []
                    : $this->rows(array_values(array_filter(array_column($made, 'person'))));
            $told = array_values(
                array_filter($made, static fn(array $each): bool => isset($rows[$each['person'] ?? ''])),
            );
            $this->notifier->accounts(
                array_map(
                    static fn(array $each): array => [
                        'person' => $rows[(string) $each['person']],
                        'position' => $each['draft']->row,
                    ],
                    $told,
                ),
                $changeList,
                $record->stringOrNull('tell'),
                $by,
            );
        }
    }

    /**
     * @param list<string> $people ids
     *
     * @return array<string, Row> by id
     */
    private function rows(array $people): array
    {
        $rows = [];
        foreach (
            [] === $people
                ? []
                : Row::all(
                    $this->db->fetchAllAssociative(
                        'SELECT '.PersonRow::COLUMNS.' FROM '.PersonRow::TABLES.' WHERE p.id IN (?)',
                        [array_map(Id::binary(...), $people)],
                        [ArrayParameterType::BINARY],
                    ),
                ) as $row
        ) {
            $rows[$row->id('person_id')] = $row;
        }

        return $rows;
    }

    /** @return array{AccountDraft, ?string} and the person of the directory it is for */
    private static function draft(Row $row): array
    {
        $said = $row->json('row');
        $text = static fn(string $field): ?string => \is_string($said[$field] ?? null) ? $said[$field] : null;

        return [
            new AccountDraft(
                $row->int('position'),
                (string) $text('text'),
                (string) $text('given'),
                (string) $text('family'),
                $text('preferred'),
                PersonKind::from((string) $text('kind')),
                (string) $text('division'),
                \is_int($said['level'] ?? null) ? $said['level'] : null,
                $text('number'),
                $text('email'),
                $text('login'),
            ),
            $text('known'),
        ];
    }
}
