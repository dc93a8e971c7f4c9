<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\People\Caretaker;
use MintDoor\Core\People\CareVerdict;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\People\Reach;
use MintDoor\Core\People\Tie;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Ties;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Directory;
use MintDoor\People\Repository\People;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\Repository\Standings;
use MintDoor\Shared\Caller;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\Said;
use MintDoor\Sites\SiteRow;

/**
 * Who looks after whom, and of whom somebody may know everything: what ties them is read, the core decides
 * (`Caretaker`).
 */
final readonly class Caring
{
    public function __construct(
        private People $people,
        private Standings $standings,
        private Roles $roles,
        private Enrollments $enrollments,
        private Directory $directory,
        private PlatformClock $clock,
    ) {}

    public function caretaker(Caller $caller): Caretaker
    {
        $limits = $this->roles->limits();

        return new Caretaker(
            $caller->id,
            $caller->platformAdministrator,
            $caller->divisions,
            $limits->careHome,
            $limits->careBeyond,
        );
    }

    /**
     * Whether the caller may look after accounts.
     *
     * @param list<string> $people ids
     *
     * @return array<string, CareVerdict> by person; who does not exist, or is not there for the caller, is missing
     */
    public function verdicts(array $people, Caller $caller): array
    {
        return $this->judged($people, $caller, false);
    }

    /**
     * Whether the caller may hand out sign-in cards.
     *
     * @param list<string> $people ids
     *
     * @return array<string, CareVerdict> as `verdicts()`
     */
    public function cards(array $people, Caller $caller): array
    {
        return $this->judged($people, $caller, true);
    }

    /**
     * Those of whom the caller may know everything: whoever is within reach, and whom they look after.
     *
     * @param list<Row> $rows     with `PersonRow::COLUMNS`
     * @param string    $division code of a division that is within reach for certain; empty for none
     * @param ?Reach    $reach    the caller's, where it is known already
     *
     * @return array<string, true> by person
     */
    public function known(array $rows, Caller $caller, string $division = '', ?Reach $reach = null): array
    {
        $known = $others = [];
        foreach ($rows as $row) {
            $of = $row->string('person_division');
            $own = 'staff' === $caller->kind && $of === $caller->division;
            if ($of === $division || $own || $caller->administers($of)) {
                $known[$row->id('person_id')] = true;
            } else {
                $others[$row->id('person_id')] = PersonRow::person($row);
            }
        }
        if ([] === $others) {
            return $known;
        }
        $reach ??= $this->directory->reachOf($caller);
        $known += array_map(static fn(): bool => true, array_filter($others, $reach->within(...)));
        $left = array_map(strval(...), array_keys(array_diff_key($others, $known)));
        $verdicts = [] === $left ? [] : $this->verdicts($left, $caller);

        return $known
            + array_map(
                static fn(): bool => true,
                array_filter($verdicts, static fn(CareVerdict $verdict): bool => $verdict->allowed()),
            );
    }

    /** What a verdict that is no says. */
    public function sentence(CareVerdict $verdict): Said
    {
        if (null === $verdict->from) {
            return new Said('roster.care.'.($verdict->refusal ?? 'other'));
        }
        $hours = max(1, (int) ceil(($verdict->from - $this->clock->instant()) / 3_600));

        return Said::with('roster.care-from', n: $hours);
    }

    /**
     * @throws Problem of type `NotFound` for somebody who is not there for the caller, or `NotAllowed`
     */
    public function assertMay(string $person, Caller $caller): void
    {
        $verdict = $this->verdicts([$person], $caller)[$person] ?? throw Problem::notFound('person');
        if (!$verdict->allowed()) {
            throw Problem::notAllowed($this->sentence($verdict));
        }
    }

    /**
     * @param list<string> $people ids
     *
     * @return array<string, CareVerdict>
     */
    private function judged(array $people, Caller $caller, bool $card): array
    {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('roster.only-staff-look-after');
        }
        $rows = $this->people->withAccounts($people);
        $reach = $this->directory->reachOf($caller);
        $caretaker = $this->caretaker($caller);
        $now = $this->clock->instant();
        $ties = $this->ties(array_map(PersonRow::person(...), $rows), $caller, $now);
        $verdicts = [];
        foreach ($rows as $row) {
            $person = PersonRow::person($row);
            $own = $ties[$person->id] ?? [];
            $administers = $row->bool('platform_administrator') || [] !== $row->list('administers');
            $minor = $row->bool('minors');
            $verdict = $card
                ? $caretaker->card($person, $administers, $minor, $own, null !== $row->stringOrNull('used_at'), $now)
                : $caretaker->care($person, $administers, $minor, $own, $now);
            $there = PersonVisibility::Full === $reach->visibility(
                $person,
                false
            ) || [] !== $own || $person->id === $caller->id;
            if ($there || $verdict->allowed()) {
                $verdicts[$person->id] = null === $row->stringOrNull('gone') ? $verdict : CareVerdict::no('gone');
            }
        }

        return $verdicts;
    }

    /**
     * @param list<Person> $people
     *
     * @return array<string, list<Tie>> by person
     */
    private function ties(array $people, Caller $caller, int $now): array
    {
        $byId = array_column($people, null, 'id');
        $rows =
            [] === $byId || $caller->platformAdministrator
                ? []
                : $this->standings->shared(
                    array_map(strval(...), array_keys($byId)),
                    $caller->id,
                    $this->roles->letting($caller, Permission::LetIn),
                    $this->roles->book(),
                    $now,
                );
        $bySite = [];
        foreach ($rows as $row) {
            $bySite[$row->id('id')][$row->id('person_id')] = $row;
        }
        $ties = [];
        foreach ($bySite as $site => $here) {
            $enrollments = $this->enrollments->ofPeople($site, array_map(strval(...), array_keys($here)));
            foreach ($here as $id => $row) {
                $ties[$id] = [
                    ...$ties[$id] ?? [],
                    ...Ties::of(
                        $enrollments[$id] ?? new Enrollment(),
                        $byId[$id],
                        SiteRow::site($row),
                        $caller->id,
                        $row->bool('own_leads'),
                        $now,
                    ),
                ];
            }
        }

        return $ties;
    }
}
