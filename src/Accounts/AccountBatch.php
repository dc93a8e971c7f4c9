<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Accounts\Repository\Identifiers;
use MintDoor\Core\Accounts\AccountDraft;
use MintDoor\Core\Accounts\AccountLine;
use MintDoor\Core\Accounts\AccountPlan;
use MintDoor\Core\Accounts\AccountRows;
use MintDoor\Core\Changes\Note;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Intake\Candidate;
use MintDoor\Core\Intake\Circumstances;
use MintDoor\Core\Intake\PastedLine;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Platform\LevelNames;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Text\TooMuch;
use MintDoor\Intake\PeopleReader;
use MintDoor\Intake\PersonSeen;
use MintDoor\People\PersonShown;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Caring;
use MintDoor\Roster\Details;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;

/** Works out what rows of people come to. Changes nothing. */
final readonly class AccountBatch
{
    /** Rows in one answer; those that need a look come first. */
    private const SHOWN = 2_000;

    public function __construct(
        private Identifiers $identifiers,
        private Divisions $divisions,
        private Roles $roles,
        private PeopleReader $people,
        private Accounts $accounts,
        private Caring $caring,
        private PlatformSettings $settings,
        private Details $details,
    ) {}

    public function read(AccountBatchRequest $request, Caller $caller): RowsRead
    {
        $divisions = $this->divisions->offered();
        if ('' !== $request->division && !isset($divisions[$request->division])) {
            throw Problem::field('/division', 'unknown', 'accounts.no-such-division-any');
        }
        $kinds = $this->settings->asPut()->kinds;
        $own = array_column($kinds, null, 'code')[$request->kind] ?? null;
        $reader = new AccountRows(
            $this->roles->rules()->numbers,
            $divisions,
            $request->division,
            PersonKind::tryFrom($own->like ?? $request->kind)
                ?? throw Problem::field('/kind', 'unknown', 'shared.no-such-kind-person'),
            $request->level,
            new LevelNames($this->divisions->tree()),
            $this->details->offered($caller),
            $kinds,
            $own?->code,
        );
        try {
            $drafts = $reader->read($request->text, AccountBatchRequest::MOST_ROWS);
        } catch (TooMuch $much) {
            throw Problem::tooMuch($much->problem, $much->row, AccountBatchRequest::MOST_ROWS);
        }
        $drafts = array_map(
            fn(AccountDraft $draft): AccountDraft => $this->details->mayWrite(
                $caller,
                $draft->details,
                $draft->division
            )
                ? $draft
                : $draft->wrong('details', 'not-yours'),
            $drafts,
        );
        $sound = array_values(array_filter($drafts, static fn(AccountDraft $draft): bool => [] === $draft->problems));
        $asLine = static fn(AccountDraft $draft): PastedLine => PastedLine::ofRow(
            $draft->row,
            $draft->text,
            array_values($draft->identifiers()),
            $draft->given,
            $draft->family,
            $draft->division,
        );
        $for = new Circumstances(new Site('', $request->division), PersonKind::cases());
        $read = $this->people->readings(array_map($asLine, $sound), $caller, $for);
        $byRow = $directory = [];
        foreach ($read->readings as $reading) {
            $byRow[$reading->line->number] = $reading;
            foreach ($reading->candidates as $candidate) {
                $directory[$candidate->known->person->id] = $candidate->known;
            }
        }
        $lettingInto = $this->accounts->lettingInto($caller);
        $caretaker = $this->caring->caretaker($caller);
        $plan = new AccountPlan(
            $directory,
            $this->holders($sound),
            $this->taken($sound),
            array_map(
                static fn(): bool => true,
                array_filter(
                    $read->people,
                    static fn(PersonSeen $each): bool => null !== $each->row->stringOrNull('login'),
                ),
            ),
            $request->choices,
            static fn(PersonKind $kind, string $division): bool => $caretaker->mayMake($kind, $division, $lettingInto),
        );

        return new RowsRead($plan->lines($drafts, $byRow), $read->people);
    }

    public function look(AccountBatchRequest $request, Caller $caller): AccountBatchAnswer
    {
        $read = $this->read($request, $caller);
        $lines = $read->lines;
        $verdicts = array_fill_keys(
            array_map(static fn(Verdict $verdict): string => $verdict->value, Verdict::cases()),
            0,
        );
        $addressed = 0;
        foreach ($lines as $line) {
            ++$verdicts[$line->verdict->value];
            $addressed += (int) (Verdict::Ready === $line->verdict && null !== $read->address($line));
        }
        if (\count($lines) > self::SHOWN) {
            usort(
                $lines,
                static fn(AccountLine $a, AccountLine $b): int => [Verdict::Ready === $a->verdict, $a->draft->row]
                    <=> [Verdict::Ready === $b->verdict, $b->draft->row],
            );
        }

        return new AccountBatchAnswer(
            array_sum($verdicts),
            $verdicts,
            $addressed,
            array_map(
                static fn(AccountLine $line): AccountRowShown => self::shown($line, $read->people),
                \array_slice($lines, 0, self::SHOWN),
            ),
        );
    }

    /** @param array<string, PersonSeen> $people by id */
    private static function shown(AccountLine $line, array $people): AccountRowShown
    {
        $note = static fn(Note $note): array => ['code' => $note->code, 'values' => (object) $note->values];
        $draft = $line->draft;
        $ids = array_map(static fn(Candidate $each): string => $each->known->person->id, $line->candidates);

        return new AccountRowShown(
            row: $draft->row,
            text: $draft->text,
            given: $draft->given,
            family: $draft->family,
            preferred: $draft->preferred,
            kind: $draft->kind->value,
            ownKind: $draft->ownKind,
            division: $draft->division,
            level: $draft->level,
            number: $draft->number,
            email: $draft->email,
            login: $line->login ?? $draft->login,
            details: (object) $draft->details,
            verdict: $line->verdict->value,
            reasons: array_map($note, $line->reasons),
            cautions: array_map($note, $line->cautions),
            known: ($people[$line->known ?? ''] ?? null)?->shown(),
            candidates: array_map(
                static fn(string $id): PersonShown => $people[$id]->shown(),
                array_values(array_filter($ids, static fn(string $id): bool => isset($people[$id]))),
            ),
        );
    }

    /**
     * Who holds an identifier of some row, within reach or not.
     *
     * @param list<AccountDraft> $drafts
     *
     * @return array<string, list<string>> ids by identifier, as it is compared
     */
    public function holders(array $drafts): array
    {
        $all = ['number' => [], 'email' => [], 'login' => []];
        foreach ($drafts as $draft) {
            foreach ($draft->identifiers() as $field => $identifier) {
                $plain = 'email' === $field ? [$identifier] : Folding::plain([$identifier]);
                array_push($all[$field], ...$plain);
            }
        }
        $all['number'] = array_map(strtoupper(...), $all['number']);

        return $this->identifiers->holders($all);
    }

    /**
     * Logins that are not free, of those these rows may come to.
     *
     * @param list<AccountDraft> $drafts
     *
     * @return array<string, true>
     */
    public function taken(array $drafts): array
    {
        $bases = [];
        foreach ($drafts as $draft) {
            $bases[$draft->login ?? $draft->loginOfName()] = true;
        }

        return $this->identifiers->takenLogins(Folding::plain(array_map(strval(...), array_keys($bases))));
    }
}
