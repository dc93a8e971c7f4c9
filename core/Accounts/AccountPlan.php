<?php

declare(strict_types=1);

namespace MintDoor\Core\Accounts;

use MintDoor\Core\Changes\Note;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Intake\Candidate;
use MintDoor\Core\Intake\Evidence;
use MintDoor\Core\Intake\Known;
use MintDoor\Core\Intake\Reading;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Text\Folding;

/**
 * Works out which rows make an account, for whom, and under which login. Nobody is made twice: whoever has a number,
 * login or address of the row is that person; a namesake who may be meant is asked about. No two people share an
 * address, and no two accounts a login.
 */
final class AccountPlan
{
    /** Settles that a row means somebody new. */
    public const NEW = 'new';

    /** Evidence of less than this tier is a coincidence among many people. */
    private const NAMESAKE = 2;

    /** @var array<string, int> identifier => row that has it */
    private array $rows = [];

    /** @var array<string, array{int, ?string}> folded name => row that has it, and its number */
    private array $names = [];

    /** @var array<string, int> person => row that is for them */
    private array $people = [];

    /** @var array<string, true> logins that are given on this change list */
    private array $logins = [];

    /**
     * @param array<string, Known>      $directory everybody who comes into question, by id
     * @param array<string, list<string>> $holders ids of those who hold an identifier of some row, as it is compared;
     *     those out of what one sees, too
     * @param array<string, true>       $taken     logins that are not free
     * @param array<string, true>       $accounts  ids of those of the directory who have an account
     * @param array<int, string>        $choices   by row: a person's id, or `NEW`
     * @param callable(PersonKind, string): bool $mayMake whether whoever makes them may make such a person
     */
    public function __construct(
        private readonly array $directory,
        private readonly array $holders,
        private readonly array $taken,
        private readonly array $accounts,
        private readonly array $choices,
        private readonly mixed $mayMake,
    ) {}

    /**
     * @param list<AccountDraft>  $drafts
     * @param array<int, Reading> $readings what the matcher made of each, by row
     *
     * @return list<AccountLine> one a row, in order
     */
    public function lines(array $drafts, array $readings): array
    {
        $this->rows = $this->people = $this->logins = $this->names = [];
        foreach ($drafts as $draft) {
            if (null !== $draft->login) {
                $this->logins[$draft->login] = true;
            }
        }

        return array_map(
            fn(AccountDraft $draft): AccountLine => $this->line($draft, $readings[$draft->row] ?? null),
            $drafts,
        );
    }

    private function line(AccountDraft $draft, ?Reading $reading): AccountLine
    {
        if ([] !== $draft->problems) {
            return new AccountLine(
                $draft,
                Verdict::Refused,
                array_map(
                    static fn(array $each): Note => new Note($each['code'], ['field' => $each['field']]),
                    $draft->problems,
                ),
            );
        }
        foreach ($draft->identifiers() as $field => $identifier) {
            if (isset($this->rows[$identifier])) {
                return $this->refused($draft, 'row-has-it', ['field' => $field, 'row' => $this->rows[$identifier]]);
            }
        }
        foreach ($draft->identifiers() as $identifier) {
            $this->rows[$identifier] = $draft->row;
        }
        $chosen = $this->choices[$draft->row] ?? null;
        $whose = [];
        foreach ($draft->identifiers() as $field => $identifier) {
            foreach ($this->holders[$identifier] ?? [] as $person) {
                $whose[$person] ??= $field;
            }
        }
        if (\count($whose) > 1) {
            return $this->refused(
                $draft,
                'several-people',
                ['field' => array_values($whose)[1]],
                $this->candidates($whose, $reading),
            );
        }
        if ([] !== $whose) {
            return $this->held($draft, array_key_first($whose), array_values($whose)[0], $chosen, $reading);
        }
        if (null !== $chosen && self::NEW !== $chosen) {
            return isset($this->directory[$chosen])
                ? $this->known($draft, $chosen)
                : $this->refused($draft, 'unknown-choice', ['field' => 'name']);
        }
        $namesakes = array_values(
            array_filter(
                $reading->candidates ?? [],
                static fn(Candidate $each): bool => $each->evidence->tier() >= self::NAMESAKE
                    || Evidence::OneDigitOff === $each->evidence,
            ),
        );
        $meant = array_values(
            array_filter($namesakes, fn(Candidate $each): bool => !$this->contradicts($draft, $each->known)),
        );
        if ([] !== $meant && self::NEW !== $chosen) {
            return new AccountLine($draft, Verdict::NeedsChoice, [new Note('same-name')], candidates: $meant);
        }

        $name = $draft->kind->value.' '.implode(' ', Folding::tokens($draft->given.' '.$draft->family));
        [$row, $number] = $this->names[$name] ?? [null, null];
        if (null !== $row && self::NEW !== $chosen && (null === $number || null === $draft->number)) {
            return new AccountLine($draft, Verdict::NeedsChoice, [new Note('same-name-row', ['row' => $row])]);
        }
        $this->names[$name] ??= [$draft->row, $draft->number];

        return $this->fresh(
            $draft,
            [] === $namesakes || [] !== $meant ? [] : [new Note('namesake', ['n' => \count($namesakes)])],
        );
    }

    /** Somebody has an identifier of the row. */
    private function held(
        AccountDraft $draft,
        string $person,
        string $field,
        ?string $chosen,
        ?Reading $reading,
    ): AccountLine {
        $known = $this->directory[$person] ?? null;
        if (null === $known) {
            return $this->refused($draft, 'taken-elsewhere', ['field' => $field]);
        }
        if ($chosen === $person || $this->sameName($draft, $known)) {
            return $this->known($draft, $person);
        }

        // Another's number may be a slip or another spelling of theirs; another's login or address is only theirs.
        return 'number' === $field
            ? new AccountLine(
                $draft,
                Verdict::NeedsChoice,
                [new Note('number-of-another')],
                candidates: $this->candidates([$person => $field], $reading),
            )
            : $this->refused($draft, 'taken', ['field' => $field], $this->candidates([$person => $field], $reading));
    }

    private function known(AccountDraft $draft, string $person): AccountLine
    {
        if (isset($this->people[$person])) {
            return new AccountLine(
                $draft,
                Verdict::NothingToDo,
                [new Note('repeat', ['row' => $this->people[$person]])],
                known: $person,
            );
        }
        $this->people[$person] = $draft->row;
        if (isset($this->accounts[$person])) {
            return new AccountLine($draft, Verdict::NothingToDo, [new Note('has-account')], known: $person);
        }
        $one = $this->directory[$person]->person;
        if (!($this->mayMake)($one->kind, $one->division)) {
            return new AccountLine(
                $draft,
                Verdict::Refused,
                [new Note('not-yours-to-make', ['field' => 'division'])],
                known: $person,
            );
        }

        return $this->ready($draft, [new Note('known-person')], $person);
    }

    /** @param list<Note> $cautions */
    private function ready(AccountDraft $draft, array $cautions, ?string $known = null): AccountLine
    {
        return null !== $draft->login && isset($this->taken[$draft->login])
            ? $this->refused($draft, 'taken', ['field' => 'login'])
            : new AccountLine($draft, Verdict::Ready, [], $cautions, $this->login($draft), $known);
    }

    /** @param list<Note> $cautions */
    private function fresh(AccountDraft $draft, array $cautions): AccountLine
    {
        if (!($this->mayMake)($draft->kind, $draft->division)) {
            return $this->refused($draft, 'not-yours-to-make', [
                'field' => PersonKind::Learner === $draft->kind ? 'division' : 'kind',
            ]);
        }

        return $this->ready($draft, $cautions);
    }

    private function login(AccountDraft $draft): string
    {
        if (null !== $draft->login) {
            return $draft->login;
        }
        $base = $draft->loginOfName();
        for (
            $n = 1, $login = $base;
            isset($this->taken[$login]) || isset($this->logins[$login]);
            $login = $base.++$n
        ) {
        }
        $this->logins[$login] = true;

        return $login;
    }

    /** Whether a namesake cannot be the one the row means. */
    private function contradicts(AccountDraft $draft, Known $known): bool
    {
        $person = $known->person;
        $numbers = $known->numbers();
        $oneOff =
            null !== $draft->number
            && []
                !== array_filter(
                    $numbers,
                    static fn(string $each): bool => levenshtein(strtolower((string) $draft->number), $each) <= 1,
                );

        return $person->kind !== $draft->kind || (null !== $draft->number && [] !== $numbers && !$oneOff);
    }

    private function sameName(AccountDraft $draft, Known $known): bool
    {
        $words = Folding::tokens($draft->given.' '.$draft->family.' '.$draft->preferred);

        return [] !== array_intersect($words, $known->names())
            && \count(array_intersect(Folding::tokens($draft->family), [...$known->family, ...$known->former()])) > 0;
    }

    /**
     * @param array<string, string> $people field by person
     *
     * @return list<Candidate>
     */
    private function candidates(array $people, ?Reading $reading): array
    {
        $all = [];
        foreach ($reading->candidates ?? [] as $candidate) {
            $all[$candidate->known->person->id] = $candidate;
        }
        foreach (array_keys($people) as $person) {
            if (isset($this->directory[$person])) {
                $all[$person] ??= new Candidate($this->directory[$person], Evidence::Identifier);
            }
        }

        return array_values(array_intersect_key($all, $people));
    }

    /**
     * @param array<string, string|int> $values
     * @param list<Candidate>           $candidates
     */
    private function refused(AccountDraft $draft, string $code, array $values, array $candidates = []): AccountLine
    {
        return new AccountLine($draft, Verdict::Refused, [new Note($code, $values)], candidates: $candidates);
    }
}
