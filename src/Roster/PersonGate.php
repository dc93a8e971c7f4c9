<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\People\PersonRow;
use MintDoor\People\Repository\People;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Repository\Standings;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Locks;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;

/** Finds a person for a caller. Whoever is out of their reach is not there for them. */
final readonly class PersonGate
{
    public function __construct(
        private People $people,
        private Standings $standings,
        private Roles $roles,
        private Caring $caring,
        private PlatformClock $clock,
        private Locks $locks,
    ) {}

    /**
     * @throws Problem of type `NotAllowed` or `NotFound`
     */
    public function at(string $person, Caller $caller): PersonInReach
    {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('shared.only-staff-look-people');
        }
        // Whoever passes here inside a transaction is about to change them.
        $this->locks->people([$person], alone: true);
        $verdict = $this->caring->verdicts([$person], $caller)[$person] ?? throw Problem::notFound('person');
        $row = $this->people->withAccount($person) ?? throw Problem::notFound('person');
        // A tie that is too fresh opens nobody's page.
        if (!$verdict->allowed() && [] === $this->caring->known([$row], $caller) && $person !== $caller->id) {
            throw Problem::notFound('person');
        }

        return new PersonInReach($row, $verdict);
    }

    /**
     * For what wants that one looks after somebody.
     *
     * @throws Problem of type `NotAllowed` or `NotFound`
     */
    public function cared(string $person, Caller $caller): Row
    {
        $one = $this->at($person, $caller);

        return $one->care->allowed() ? $one->row : throw Problem::notAllowed($this->caring->sentence($one->care));
    }

    /** Whether both are in some site now. */
    public function sharesSite(string $person, Caller $caller): bool
    {
        return $this->standings->shareSite($person, $caller->id, $this->roles->book(), $this->clock->instant());
    }

    /**
     * For what only administrators of their division do, and only to those who do not administer anything themselves.
     *
     * @throws Problem of type `NotAllowed` or `NotFound`
     */
    public function administered(string $person, Caller $caller, string $sentence): Row
    {
        $one = $this->at($person, $caller);
        [$row, $verdict] = [$one->row, $one->care];
        if (!$this->caring->caretaker($caller)->mayClose(PersonRow::person($row))) {
            throw Problem::notAllowed($sentence);
        }
        // One's own facts are anybody's to correct who corrects those of others.
        if (!$verdict->allowed() && 'own-account' !== $verdict->refusal) {
            throw Problem::notAllowed($this->caring->sentence($verdict));
        }

        return $row;
    }

    /**
     * Somebody, and those who were merged into them.
     *
     * @return non-empty-list<string> ids
     */
    public function everyId(string $person): array
    {
        return [$person, ...$this->people->mergedInto($person)];
    }
}
