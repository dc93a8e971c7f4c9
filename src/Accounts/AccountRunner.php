<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Accounts\Repository\AccountListRows;
use MintDoor\Changes\Entity\ChangeList;
use MintDoor\Changes\Repository\StoredLists;
use MintDoor\Core\Accounts\AccountDraft;
use MintDoor\Core\Accounts\AccountLine;
use MintDoor\Core\Accounts\AccountPlan;
use MintDoor\Core\Changes\Note;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\People\PersonKind;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\People\Facts;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\FindableNames;
use MintDoor\People\Repository\People;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Roster\Caring;
use MintDoor\Roster\Details;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Id;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Locks;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;
use MintDoor\Shared\Transaction;
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
        private AccountListRows $rows,
        private StoredLists $lists,
        private FindableNames $names,
        private People $people,
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
        private Details $details,
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
        $this->rows->write($changeList, $lines);
        if (\count($lines) <= self::AT_ONCE) {
            $this->chunk($changeList, static fn() => null);
        } else {
            $this->bus->dispatch(new MakeAccounts($changeList));
        }
    }

    /**
     * @param \Closure(): mixed $then called in the same transaction when others are left
     *
     * @return bool whether others are left
     */
    private function chunk(string $changeList, \Closure $then): bool
    {
        $list = $this->lists->locked($changeList);
        if ('applying' !== $list->state) {
            return false;
        }
        $this->rows->takeTurns();
        $rows = $this->rows->next($changeList, self::CHUNK);
        $drafts = $known = [];
        foreach ($rows as $row) {
            $kept = KeptRow::read($row);
            $drafts[] = $kept->draft;
            $known[$kept->draft->row] = $kept->known;
        }
        $this->locks->people(array_values(array_filter($known)), alone: true);
        $outcomes = [];
        foreach ($this->plan($drafts, array_filter($known), (string) $list->changedBy) as $line) {
            $outcomes[] = $this->outcome($line, $known[$line->draft->row]);
        }
        $this->write($list, $outcomes);
        $left = $this->rows->anyLeft($changeList);
        $made = array_filter($outcomes, static fn(AccountOutcome $each): bool => null !== $each->person);
        $list->progress(\count($rows), \count($made), $left, $this->clock->instant());
        $this->lists->flush();
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
    private function plan(array $drafts, array $known, string $by): array
    {
        try {
            $caller = $this->callers->byId($by);
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
        $rows = $this->people->byId(array_values($known));
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

    private function outcome(AccountLine $line, ?string $known): AccountOutcome
    {
        $ready = Verdict::Refused !== $line->verdict;

        return new AccountOutcome(
            $line->draft,
            $ready ? $known ?? $this->ids->next() : null,
            $line->login,
            $known,
            $ready ? [] : $line->reasons,
        );
    }

    /** @param list<AccountOutcome> $outcomes */
    private function write(ChangeList $list, array $outcomes): void
    {
        $writer = $this->names->writer();
        $divisions = $this->divisions->all();
        $now = $this->clock->instant();
        $happenings = [];
        foreach ($outcomes as $outcome) {
            if (null === $outcome->person) {
                continue;
            }
            $draft = $outcome->draft;
            if (null === $outcome->known) {
                $writer->add(
                    $outcome->person,
                    $draft->kind->value,
                    $divisions[$draft->division]->id ?? Id::NONE,
                    new Facts(
                        $draft->given,
                        $draft->family,
                        $draft->preferred,
                        $draft->further,
                        $draft->level,
                        $draft->number,
                        $draft->email,
                        $draft->ownKind,
                    ),
                    $outcome->login,
                );
                $writer->details($outcome->person, $this->details->values($draft->details));
            }
            $writer->account($outcome->person, (string) $outcome->login, $now);
            $happenings[] = new Happening('account-made', ['changeList' => $list->id], $outcome->person);
        }
        $writer->write();
        $this->rows->settle($list->id, $outcomes);
        if ([] !== $happenings) {
            $by = $this->callers->byId((string) $list->changedBy);
            $this->history->writeAll(History::PLATFORM, $by, $happenings);
            null === $list->tell || $this->tell($list, $outcomes, $by);
        }
    }

    /** @param list<AccountOutcome> $outcomes */
    private function tell(ChangeList $list, array $outcomes, Caller $by): void
    {
        $made = array_filter(array_map(static fn(AccountOutcome $each): ?string => $each->person, $outcomes));
        $people = $this->people->byId(array_values($made));
        $told = [];
        foreach ($outcomes as $outcome) {
            if (isset($people[$outcome->person ?? ''])) {
                $told[] = ['person' => $people[(string) $outcome->person], 'position' => $outcome->draft->row];
            }
        }
        $this->notifier->accounts($told, $list->id, $list->tell, $by);
    }
}
