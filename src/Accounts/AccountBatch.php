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
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Text\TooMuch;
use MintDoor\Intake\PeopleReader;
use MintDoor\People\PersonRow;
use MintDoor\People\PersonShown;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Caring;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Sites\Repository\Divisions;

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
    ) {}

    /** @return array{list<AccountLine>, array<string, array{Row, PersonVisibility}>} and whoever is spoken of, by id */
    public function lines(AccountBatchRequest $request, Caller $caller): array
    {
        $divisions = $this->divisions->names();
        if ('' !== $request->division && !isset($divisions[$request->division])) {
            throw Problem::field('/division', 'unknown', 'There is no such division any more. Choose another.');
        }
        $reader = new AccountRows(
            $this->roles->rules()->numbers,
            $divisions,
            $request->division,
            PersonKind::from($request->kind),
            $request->level,
        );
        try {
            $drafts = $reader->read($request->text, AccountBatchRequest::MOST_ROWS);
        } catch (TooMuch $much) {
            throw Problem::tooMuch($much->problem, $much->row, AccountBatchRequest::MOST_ROWS);
        }
        $sound = array_values(array_filter($drafts, static fn(AccountDraft $draft): bool => [] === $draft->problems));
        $asLine = static fn(AccountDraft $draft): PastedLine => new PastedLine(
            $draft->row,
            $draft->text,
            array_values($draft->identifiers()),
            Folding::tokens($draft->given.' '.$draft->family),
            true,
            [],
            [$draft->division],
        );
        [$readings, $rows] =
            [] === $sound
                ? [[], []]
                : $this->people->readings(
                    array_map($asLine, $sound),
                    $caller,
                    new Circumstances(new Site('', $request->division), PersonKind::cases()),
                );
        $byRow = $directory = [];
        foreach ($readings as $reading) {
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
                array_filter($rows, static fn(array $each): bool => null !== $each[0]->stringOrNull('login')),
            ),
            $request->choices,
            static fn(PersonKind $kind, string $division): bool => $caretaker->mayMake($kind, $division, $lettingInto),
        );

        return [$plan->lines($drafts, $byRow), $rows];
    }

    /** @return array<string, mixed> schema `AccountBatch` */
    public function look(AccountBatchRequest $request, Caller $caller): array
    {
        [$lines, $rows] = $this->lines($request, $caller);
        $verdicts = array_fill_keys(
            array_map(static fn(Verdict $verdict): string => $verdict->value, Verdict::cases()),
            0,
        );
        $addressed = 0;
        foreach ($lines as $line) {
            ++$verdicts[$line->verdict->value];
            $addressed += (int) (Verdict::Ready === $line->verdict && null !== self::address($line, $rows));
        }
        if (\count($lines) > self::SHOWN) {
            usort(
                $lines,
                static fn(AccountLine $a, AccountLine $b): int => [Verdict::Ready === $a->verdict, $a->draft->row]
                    <=> [Verdict::Ready === $b->verdict, $b->draft->row],
            );
        }
        $note = static fn(Note $note): array => ['code' => $note->code, 'values' => (object) $note->values];

        return [
            'total' => array_sum($verdicts),
            'verdicts' => $verdicts,
            'addressed' => $addressed,
            'rows' => array_map(
                static fn(AccountLine $line): array => [
                    ...self::json($line->draft),
                    'text' => $line->draft->text,
                    'login' => $line->login ?? $line->draft->login,
                    'verdict' => $line->verdict->value,
                    'reasons' => array_map($note, $line->reasons),
                    'cautions' => array_map($note, $line->cautions),
                    'known' => isset($rows[$line->known ?? ''])
                        ? PersonRow::shown(...$rows[(string) $line->known])
                        : null,
                    'candidates' => array_values(
                        array_map(
                            static fn(Candidate $each): PersonShown => PersonRow::shown(
                                ...$rows[$each->known->person->id]
                            ),
                            array_filter(
                                $line->candidates,
                                static fn(Candidate $each): bool => isset($rows[$each->known->person->id]),
                            ),
                        ),
                    ),
                ],
                \array_slice($lines, 0, self::SHOWN),
            ),
        ];
    }

    /** @return array<string, mixed> what a row says of a person */
    public static function json(AccountDraft $draft): array
    {
        return [
            'row' => $draft->row,
            'given' => $draft->given,
            'family' => $draft->family,
            'preferred' => $draft->preferred,
            'kind' => $draft->kind->value,
            'division' => $draft->division,
            'level' => $draft->level,
            'number' => $draft->number,
            'email' => $draft->email,
        ];
    }

    /** @param array<string, array{Row, PersonVisibility}> $rows */
    private static function address(AccountLine $line, array $rows): ?string
    {
        return null === $line->known ? $line->draft->email : ($rows[$line->known][0] ?? null)?->stringOrNull('email');
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
