<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Accounts\Repository\AccountListRows;
use MintDoor\Changes\ChangeLists;
use MintDoor\Core\Accounts\AccountLine;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\People\PersonKind;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Messages\Messages;
use MintDoor\Messages\SentMessage;
use MintDoor\People\PersonRow;
use MintDoor\Roster\Caring;
use MintDoor\Shared\Caller;
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
        private AccountListRows $rows,
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
        $changeList = $request->changeList ?? throw Problem::field(
            '/changeList',
            'missing',
            'accounts.keep-change-list-first'
        );
        ChangeLists::assertState(
            $this->changeLists->seen($changeList, $caller, 'accounts'),
            ['draft'],
            'shared.change-list-applied-already',
        );
        $ready = array_values(
            array_filter(
                $this->batch->read($request, $caller)->lines,
                static fn(AccountLine $line): bool => Verdict::Ready === $line->verdict,
            ),
        );
        if ([] === $ready) {
            throw Problem::field('/text', 'nothing', 'accounts.no-account-make-yet');
        }
        $this->changeLists->take($changeList, \count($ready), $request->tell, $caller);
        $this->runner->begin($changeList, $ready);
    }

    public function page(string $changeList, int $after, Caller $caller): AccountListAnswer
    {
        $this->changeLists->seen($changeList, $caller, 'accounts');
        $rows = $this->rows->page($changeList, $after, self::PAGE + 1);
        $more = \count($rows) > self::PAGE;
        $rows = \array_slice($rows, 0, self::PAGE);

        return new AccountListAnswer(
            array_map(self::outcome(...), $rows),
            $this->rows->withoutPassword($changeList),
            $more ? $rows[self::PAGE - 1]->int('position') : null,
        );
    }

    private static function outcome(Row $row): RowOutcome
    {
        $draft = KeptRow::read($row)->draft;
        $reasons = null === $row->stringOrNull('reasons') ? [] : $row->json('reasons');

        return new RowOutcome(
            row: $draft->row,
            given: $draft->given,
            family: $draft->family,
            email: $draft->email,
            outcome: $row->stringOrNull('outcome'),
            reasons: array_map(self::note(...), array_values($reasons)),
            made: $row->stringOrNull('made'),
            person: $row->idOrNull('person_id'),
            login: $row->stringOrNull('login'),
            message: SentMessage::ofRow($row),
        );
    }

    /** @return array{code: string, values: \stdClass} */
    private static function note(mixed $note): array
    {
        $note = (array) $note;

        return [
            'code' => \is_string($note['code'] ?? null) ? $note['code'] : '',
            'values' => (object) ($note['values'] ?? []),
        ];
    }

    /**
     * Takes accounts back that nobody used: those that signed in, are in a site, or have a note stay.
     */
    public function takeBack(string $changeList, bool $apply, Caller $caller): TakenBack
    {
        $title = $this->changeLists->seen($changeList, $caller, 'accounts')->title;
        if ($apply) {
            $this->changeLists->stop($changeList) && $this->rows->stop($changeList);
            $this->locks->people($this->rows->people($changeList), alone: true);
        }
        $rows = $this->rows->since($changeList);
        $lines = $people = $accounts = [];
        $lettingInto = $this->accounts->lettingInto($caller);
        $caretaker = $this->caring->caretaker($caller);
        foreach ($rows as $row) {
            $mine = $caretaker->mayMake(PersonKind::from($row->string('kind')), $row->string('division'), $lettingInto);
            $why = match (true) {
                !$mine => 'not-yours',
                $row->bool('used') => 'signed-in',
                $row->bool('administers') => 'administers',
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
                throw new Problem(ProblemType::UndoneAlready, 'shared.nothing-change-list-left');
            }
            $this->remove($changeList, $accounts, $people);
            $this->history->writeAll(
                History::PLATFORM,
                $caller,
                array_map(
                    static fn(string $person): Happening => new Happening(
                        'account-taken-back',
                        ['changeList' => $changeList],
                        $person,
                    ),
                    $accounts,
                ),
            );
            $undo = $this->changeLists->begin('undo', null, $title, 'applied', $caller, $changeList);
            $undo->finish(\count($rows), \count($accounts));
        }

        return new TakenBack(\count($accounts), \array_slice($lines, 0, 200));
    }

    /**
     * @param list<string> $accounts ids of people whose account goes
     * @param list<string> $people   of those, the ones who go with it
     */
    private function remove(string $changeList, array $accounts, array $people): void
    {
        foreach (array_chunk($accounts, self::CHUNK) as $some) {
            $this->rows->removeAccounts($changeList, $some);
        }
        foreach (array_chunk($people, self::CHUNK) as $some) {
            $this->rows->removePeople($some);
        }
        $this->room->withdraw('change_list_id', [$changeList]);
    }
}
