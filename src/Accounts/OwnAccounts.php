<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Accounts\Repository\AccountListRows;
use MintDoor\Core\Accounts\AccountDraft;
use MintDoor\Core\People\PersonKind;
use MintDoor\People\Entity\Person;
use MintDoor\People\Facts;
use MintDoor\People\PersonFacts;
use MintDoor\People\Repository\AccountRecords;
use MintDoor\People\Repository\FindableNames;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Shared\Ids;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;

/** Accounts that come one at a time: of people who make them for themselves, and of those who had none. */
final readonly class OwnAccounts
{
    public function __construct(
        private AccountListRows $turns,
        private FindableNames $names,
        private AccountBatch $batch,
        private Divisions $divisions,
        private PlatformClock $clock,
        private Ids $ids,
        private AccountRecords $accounts,
        private PersonFacts $facts,
    ) {}

    /** Logins are given out one after the other, as on change lists of accounts. Runs inside a transaction. */
    public function takeTurns(): void
    {
        $this->turns->takeTurns();
    }

    /**
     * A person and their account. Runs inside a transaction, after `takeTurns()`.
     *
     * @param string  $division code
     * @param ?string $hash     of the password; null for one that is set by a link
     *
     * @return string id of the person
     */
    public function make(PersonKind $kind, string $division, Facts $facts, ?string $hash): string
    {
        $of = $this->divisions->withCode($division) ?? throw Problem::notFound('division');
        $id = $this->ids->next();
        $login = $this->login($kind, $division, $facts);
        $people = $this->names->writer();
        $people->add($id, $kind->value, $of->id, $facts, $login);
        $people->account($id, $login, $this->clock->instant(), $hash);
        $people->write();

        return $id;
    }

    /** Whether somebody can sign in, or could before their account was closed. */
    public function has(string $person): bool
    {
        return null !== $this->accounts->find($person);
    }

    /**
     * An account for somebody of the directory who has none. Runs inside a transaction, after `takeTurns()`.
     *
     * @param ?string $hash of the password; null for one that is set by a link
     */
    public function open(Person $person, ?string $hash): void
    {
        $facts = Facts::of($person);
        $login = $this->login(PersonKind::from($person->kind), $person->division->code, $facts);
        $people = $this->names->writer();
        $people->account($person->id, $login, $this->clock->instant(), $hash);
        $people->write();
        // They are found by their login from now on.
        $this->facts->write($person->id, $facts);
    }

    /**
     * A name as somebody types their own.
     *
     * @param string $sentence for a name that is empty
     *
     * @throws Problem at the field
     */
    public static function name(string $typed, string $pointer, string $sentence): string
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', mb_scrub($typed)));
        if ('' === $name) {
            throw Problem::field($pointer, 'empty', $sentence);
        }
        if (1 === preg_match('/[\p{Cc}\p{Cf}<>@\/\\\\]|https?:/iu', $name)) {
            throw Problem::field($pointer, 'no-name', 'doors.no-name-leave-out');
        }

        return $name;
    }

    /** The first that is free of those made of a name. */
    private function login(PersonKind $kind, string $division, Facts $facts): string
    {
        $draft = new AccountDraft(
            1,
            '',
            $facts->given,
            $facts->family,
            $facts->preferred,
            $kind,
            $division,
            $facts->level,
            $facts->number,
            $facts->email,
        );
        $base = $draft->loginOfName();
        $taken = $this->batch->taken([$draft]);
        for ($n = 1, $login = $base; isset($taken[$login]); $login = $base.++$n) {
        }

        return $login;
    }
}
