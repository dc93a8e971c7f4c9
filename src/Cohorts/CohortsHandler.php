<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Cohorts\Entity\Cohort;
use MintDoor\Cohorts\Repository\CohortLinks;
use MintDoor\Cohorts\Repository\CohortMembers;
use MintDoor\Cohorts\Repository\Cohorts;
use MintDoor\Core\Cohorts\Source;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Directory;
use MintDoor\People\Repository\People;
use MintDoor\Platform\Entity\Division;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Shared\Caller;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Ids;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Said;

/** Cohorts: made, changed, put away; who is on lists. Runs inside a transaction. */
final readonly class CohortsHandler
{
    public function __construct(
        private Cohorts $cohorts,
        private CohortMembers $members,
        private CohortLinks $links,
        private Lists $lists,
        private CohortBook $book,
        private CohortRights $rights,
        private RuleChecker $rules,
        private Divisions $divisions,
        private PlatformSettings $settings,
        private People $people,
        private Directory $directory,
        private History $history,
        private Ids $ids,
        private PlatformClock $clock,
    ) {}

    public function make(CohortRequest $request, Caller $caller): Cohort
    {
        $this->cohorts->takeTurns();
        $id = $this->ids->next();
        $division = $this->division($request->division, $caller);
        $this->assertFree($request->name, $division, null);
        $rule = null === $request->rule
            ? null
            : $this->rules->read($request->rule, $division?->code, $id, $caller);
        $cohort = new Cohort(
            $id,
            trim($request->name),
            null === $rule ? Cohort::LISTED : Cohort::RULED,
            $division,
            $this->people->known($caller->id),
            $this->clock->instant(),
            null === $rule ? null : RuleCodec::write($rule),
        );
        $cohort->settings = $this->settings->version();
        $this->cohorts->add($cohort);
        $this->cohorts->flush();
        $this->book->watch();
        if (null === $rule) {
            $this->put($cohort, $request->people, [], $caller, 'people');
        }
        $this->note('cohort-made', $cohort, $caller);

        return $cohort;
    }

    public function change(Cohort $cohort, CohortRequest $request, Caller $caller): void
    {
        $division = $this->division($request->division, $caller);
        $this->assertFree($request->name, $division, $cohort->id);
        if ((null === $request->rule) !== $cohort->isList()) {
            throw Problem::field('/rule', 'kind', 'cohorts.kind-stays');
        }
        $this->cohorts->takeTurns();
        $moved = $division?->id !== $cohort->division?->id;
        if ($moved && $cohort->isList()) {
            $this->assertAllWithin($cohort, $division);
        }
        $cohort->name = trim($request->name);
        $cohort->division = $division;
        foreach ($this->links->ofCohorts([$cohort->id]) as $link) {
            $link->door->name = $cohort->name;
        }
        if (null !== $request->rule) {
            $rule = RuleCodec::write($this->rules->read($request->rule, $division?->code, $cohort->id, $caller));
            if ($moved || $rule != $cohort->rule) {
                $cohort->follow($rule);
            }
        }
        ++$cohort->version;
        $this->cohorts->flush();
        $this->book->watch();
        $this->note('cohort-changed', $cohort, $caller);
    }

    /** @throws Problem of type `NotReady` while anything follows from it */
    public function putAway(Cohort $cohort, Caller $caller): void
    {
        $links = $this->links->ofCohorts([$cohort->id]);
        if ([] !== $links) {
            throw new Problem(ProblemType::NotReady, Said::with('cohorts.still-connected', n: \count($links)));
        }
        $readers = $this->readers($cohort);
        if ([] !== $readers) {
            $seen = array_filter($readers, fn(Cohort $reader): bool => $this->rights->uses($caller, $reader));
            $names = array_map(static fn(Cohort $reader): string => $reader->name, $seen);
            throw new Problem(
                ProblemType::NotReady,
                Said::with('cohorts.still-read', names: implode(', ', $names) ?: '…')
            );
        }
        $cohort->putAwayAt = $this->clock->instant();
        ++$cohort->version;
        $this->cohorts->flush();
        $this->book->watch();
        $this->note('cohort-put-away', $cohort, $caller);
    }

    /** @return list<Cohort> those whose rule reads it */
    public function readers(Cohort $cohort): array
    {
        $key = Source::cohort($cohort->id)->key();
        $reads = static function (Cohort $other) use ($key): bool {
            $keys = array_map(
                static fn(Source $source): string => $source->key(),
                CohortBook::ruleOf($other)?->reads() ?? [],
            );

            return \in_array($key, $keys, true);
        };

        return array_values(array_filter($this->cohorts->there(), $reads));
    }

    /**
     * Puts people on a list and takes people off it, from now on.
     *
     * @param list<string> $add    ids
     * @param list<string> $remove ids
     * @param string       $field  at which it is said who cannot be on it
     */
    public function put(Cohort $cohort, array $add, array $remove, Caller $caller, string $field = 'add'): int
    {
        if (!$cohort->isList()) {
            throw Problem::notAllowed('cohorts.follows-rule');
        }
        $this->assertMayBe($cohort, $add, $caller, $field);
        $now = $this->clock->instant();
        $changes = $this->lists->put($cohort->id, $add, $remove, $caller->id);
        if ([] !== $changes && 'add' === $field) {
            ++$cohort->version;
            $this->cohorts->flush();
            $gone = array_filter($changes, static fn(Changed $change): bool => !$change->after->contains($now));
            $this->note('cohort-people', $cohort, $caller, [
                'added' => \count($changes) - \count($gone),
                'removed' => \count($gone),
            ]);
        }

        return \count($changes);
    }

    /**
     * @param list<string> $people ids
     *
     * @throws Problem at the field that names whoever cannot be on the list
     */
    private function assertMayBe(Cohort $cohort, array $people, Caller $caller, string $field): void
    {
        $rows = $this->people->byId($people);
        $reach = $this->directory->reachOf($caller);
        $errors = new FieldErrors();
        foreach ($people as $n => $id) {
            $row = $rows[$id] ?? null;
            if (
                null === $row
                || null !== $row->stringOrNull('gone')
                || !$reach->within(PersonRow::person($row))
            ) {
                $errors->add("$field/$n", 'nobody', 'cohorts.nobody-there');
            } elseif (!$this->within($row->string('person_division'), $cohort->division)) {
                $name = PersonRow::name($row);
                $errors->add("$field/$n", 'division', Said::with('cohorts.other-division', name: $name));
            }
        }
        $errors->check();
    }

    /** @throws Problem where somebody on a list is of no part of a division */
    private function assertAllWithin(Cohort $cohort, ?Division $division): void
    {
        $rows = $this->people->byId($this->members->ofCohort($cohort->id, $this->clock->instant()));
        foreach ($rows as $row) {
            if (!$this->within($row->string('person_division'), $division)) {
                $name = PersonRow::name($row);
                throw Problem::field('/division', 'division', Said::with('cohorts.other-division', name: $name));
            }
        }
    }

    private function within(string $code, ?Division $division): bool
    {
        return null === $division || $this->settings->read()->divisions->within($code, $division->code);
    }

    /** @throws Problem at the field where it is none, or not the caller's */
    private function division(?string $code, Caller $caller): ?Division
    {
        $division = null === $code ? null : $this->divisions->withCode($code);
        if ((null !== $code && null === $division) || !$this->rights->keeps($caller, $code)) {
            throw Problem::field('/division', 'division', 'cohorts.choose-division');
        }

        return $division;
    }

    /** @throws Problem at the field where another cohort of the division is called so */
    private function assertFree(string $name, ?Division $division, ?string $butFor): void
    {
        foreach ($this->cohorts->findBy(['name' => trim($name), 'putAwayAt' => null]) as $other) {
            if ($other->id !== $butFor && $other->division?->id === $division?->id && Cohort::SHARED !== $other->kind) {
                throw Problem::field('/name', 'taken', 'cohorts.name-taken');
            }
        }
    }

    /** @param array<string, int> $numbers */
    private function note(string $code, Cohort $cohort, Caller $caller, array $numbers = []): void
    {
        $happening = new Happening($code, ['name' => $cohort->name, ...$numbers]);
        $this->history->write(History::PLATFORM, $caller, $happening);
    }
}
