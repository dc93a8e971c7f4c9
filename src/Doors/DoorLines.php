<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Changes\ChangeContextLoader;
use MintDoor\Changes\ComputedLine;
use MintDoor\Changes\LineAnswers;
use MintDoor\Changes\Repository\ChangeStore;
use MintDoor\Core\Changes\ChangeContext;
use MintDoor\Core\Changes\ChangeListComputer;
use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\Laws;
use MintDoor\Core\Changes\LineComputer;
use MintDoor\Core\Changes\Note;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Time\Window;
use MintDoor\Doors\Entity\WaitingRecord;
use MintDoor\Doors\Repository\WaitingPlaces;
use MintDoor\Roster\Repository\SectionNumbers;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Row;

/**
 * What happens at doors, as lines of change lists like everything else. Runs inside a transaction, under the site's
 * lock.
 */
final readonly class DoorLines
{
    private const LONGEST_REASON = 500;

    public function __construct(
        private WaitingPlaces $places,
        private SectionNumbers $sections,
        private LineComputer $computer,
        private ChangeListComputer $list,
        private ChangeStore $store,
        private ChangeContextLoader $contextLoader,
        private LineAnswers $answers,
    ) {}

    /**
     * Lets somebody in who stands before a door; the line says why not, where a law forbids it.
     *
     * @param ?Caller $by  null for themselves
     * @param ?string $why they come although they are wanted elsewhere
     */
    public function comeIn(
        DoorContext $at,
        ?string $section,
        ?Caller $by = null,
        ?string $why = null,
    ): ComputedChange {
        $line = $this->computer->comeIn(
            $at->context,
            $at->door->id,
            $at->door->kind,
            $at->door->policy->role,
            $this->window($at->access, $at->door->policy),
            $this->section($at, $section),
        );
        $this->keep($at->access, $at->person, 'come-in', $line, $by, $why);
        if (Verdict::Ready === $line->verdict) {
            $this->close($at->door->id, $at->personId(), 'in', $at->access, $by);
        }

        return $line;
    }

    /** What somebody who stands before a door has at the same time as what it leads to; null for nothing. */
    public function clash(DoorContext $at, ?string $section): ?Note
    {
        return $this->computer->clashAtDoor(
            $at->context,
            $at->door->id,
            $at->door->kind,
            $at->door->policy->role,
            $this->window($at->access, $at->door->policy),
            $this->section($at, $section),
        );
    }

    /**
     * Lets many in who wait at doors, each from what is left by those before. A seat that is kept for one of them is
     * not given to another, so that somebody may have to be let in by themselves.
     *
     * @param SiteAccess                    $access  of the doors
     * @param array<int, WaitingRecord>     $waiting one a person; at doors that put nobody where the fewest are
     * @param array<string, Row>            $people  by id, as `ChangeContextLoader::people()` reads them
     *
     * @return array<int, ComputedChange> by the same keys; those that are ready are stored
     */
    public function comeInTogether(SiteAccess $access, array $waiting, array $people, Caller $by): array
    {
        $policies = array_map(
            static fn(WaitingRecord $one): SentenceDoor => SentenceDoor::of($one->door),
            $waiting,
        );
        $lines = $this->list->inTurn(
            $this->contextLoader->of($access, $people, keepAll: true),
            array_map(static fn(WaitingRecord $one): string => $one->person->id, $waiting),
            fn(ChangeContext $one, int|string $key): ComputedChange => $this->computer->comeIn(
                $one,
                $policies[$key]->id,
                $policies[$key]->kind,
                $policies[$key]->policy->role,
                $this->window($access, $policies[$key]->policy),
                'choice' === $policies[$key]->policy->place
                    ? $waiting[$key]->section?->id
                    : $policies[$key]->policy->section,
            ),
        );
        $ready = $computed = [];
        foreach ($lines as $key => $line) {
            $computed[(int) $key] = $line;
            $one = new ComputedLine(
                $people[$waiting[$key]->person->id],
                'come-in',
                $line,
                self::reason($line, $waiting[$key]->why),
            );
            $one->isReady() && ($ready[] = $one);
        }
        if ([] !== $ready) {
            $this->store($access->doneBy($by), $ready, listed: false);
        }

        return $computed;
    }

    /**
     * Has somebody wait at a door.
     *
     * @param 'seat'|'approval' $for
     */
    public function stand(DoorContext $at, string $for, ?string $section, string $why): void
    {
        $line = $this->computer->stand(
            $at->context,
            $at->door->id,
            $at->door->kind,
            $at->door->policy->role,
            $this->window($at->access, $at->door->policy),
            'choice' === $at->door->policy->place ? $section : null,
        );
        $this->keep($at->access, $at->person, 'wait', $line, null);
        $this->places->stand($at, $for, $section, $why);
    }

    /**
     * Has many wait at a door for their own answer.
     *
     * @param array<string, Row> $people by id, as `ChangeContextLoader::people()` reads them
     */
    public function invite(SiteAccess $access, SentenceDoor $door, array $people, Caller $by): void
    {
        $this->many(
            $access,
            $people,
            'invite',
            fn(ChangeContext $context): ComputedChange => $this->computer->stand(
                $context,
                $door->id,
                $door->kind,
                $door->policy->role,
                $this->window($access, $door->policy),
                null,
            ),
            $by,
        );
    }

    /**
     * Has many wait no longer for their own answer.
     *
     * @param string             $door   id
     * @param array<string, Row> $people by id, as `ChangeContextLoader::people()` reads them
     */
    public function lapse(SiteAccess $access, string $door, array $people, Caller $by): void
    {
        $this->many(
            $access,
            $people,
            'lapse',
            fn(ChangeContext $context): ComputedChange => $this->computer->goAgain($context, [$door], true),
            $by,
        );
    }

    /**
     * Has somebody go again, or wait no longer.
     *
     * @param list<string> $doors   ids
     * @param bool         $waiting whether only what they still wait with
     * @param string       $verb    as it is written down: "leave", "lapse" or "release"
     */
    public function goAgain(
        DoorContext $at,
        array $doors,
        bool $waiting,
        string $verb,
        ?Caller $by = null,
    ): ComputedChange {
        $line = $this->computer->goAgain($at->context, $doors, $waiting);
        $this->keep($at->access, $at->person, $verb, $line, $by);

        return $line;
    }

    /** Somebody goes again by themselves, with all they may give back. */
    public function leave(SiteAccess $access, Caller $caller): ComputedChange
    {
        $people = $this->contextLoader->people([$caller->id]);
        $context = $this->contextLoader->of($access, $people)->one($caller->id);
        $beyond = $context->person->division !== $access->site->division;
        $own = array_filter(
            $context->enrollment->grants,
            static fn(Grant $grant): bool => $grant->mayBeGivenBack($beyond),
        );
        $doors = array_map(static fn(Grant $grant): string => $grant->doorId, array_values($own));
        $line = $this->computer->goAgain($context, array_values(array_unique($doors)));
        $this->keep($access, $people[$caller->id], 'leave', $line, null);

        return $line;
    }

    /** Nobody waits with it any more. */
    public function close(string $door, string $person, string $state, SiteAccess $access, ?Caller $by = null): void
    {
        $this->places->close($door, $person, $state, $by?->id, $access->now);
    }

    /**
     * Writes down what became of somebody, where it is ready.
     *
     * @param ?Caller $by null for themselves
     */
    public function keep(
        SiteAccess $access,
        Row $person,
        string $verb,
        ComputedChange $line,
        ?Caller $by,
        ?string $note = null,
    ): void {
        $computed = new ComputedLine($person, $verb, $line, self::reason($line, $note));
        if ($computed->isReady()) {
            $this->store(null === $by ? $access : $access->doneBy($by), [$computed]);
        }
    }

    /**
     * @param array<string, Row>                       $people by id
     * @param \Closure(ChangeContext): ComputedChange $change
     */
    private function many(SiteAccess $access, array $people, string $verb, \Closure $change, Caller $by): void
    {
        if ([] === $people) {
            return;
        }
        $context = $this->contextLoader->of($access, $people);
        $ready = [];
        foreach ($people as $id => $person) {
            $line = new ComputedLine($person, $verb, $change($context->one($id)));
            if ($line->isReady()) {
                $ready[] = $line;
            }
        }
        if ([] !== $ready) {
            $this->store($access->doneBy($by), $ready, listed: false);
        }
    }

    /** Why somebody comes who is wanted elsewhere at that time; of the others it is not kept here. */
    private static function reason(ComputedChange $line, ?string $why): ?string
    {
        foreach ($line->cautions as $caution) {
            if (Laws::CLASH === $caution->code) {
                return mb_substr((string) $why, 0, self::LONGEST_REASON);
            }
        }

        return null;
    }

    /** @param non-empty-list<ComputedLine> $lines */
    private function store(SiteAccess $access, array $lines, bool $listed = true): void
    {
        $this->store->store($access, $lines, $this->answers->plain($lines), listed: $listed);
    }

    private function window(SiteAccess $access, DoorPolicy $policy): Window
    {
        return new Window($access->now, max($access->now, $policy->stays($access->site->termEnds)));
    }

    /** Where somebody is put: where the door says, where they chose, or where the fewest are. */
    private function section(DoorContext $at, ?string $chosen): ?string
    {
        return match ($at->door->policy->place) {
            'emptiest' => $this->emptiest($at),
            'choice' => $chosen,
            default => $at->door->policy->section,
        };
    }

    /**
     * The section with the fewest learners of those that have a seat for as long as they stay, and of these of those
     * that clash with nothing they have; null for none.
     */
    private function emptiest(DoorContext $at): ?string
    {
        $stay = $this->window($at->access, $at->door->policy);
        $numbers = $this->sections->of($at->access->site->id, $at->access->now);
        $fewest = [true, \PHP_INT_MAX];
        $emptiest = null;
        foreach ($at->access->site->sections as $id => $section) {
            $learners = $numbers[$id]['learners'] ?? 0;
            $free = $at->context->sections->free($section, $stay->from, $stay->until) ?? \PHP_INT_MAX;
            if (!$section->isOffered($at->access->now) || $free <= 0) {
                continue;
            }
            $policy = $at->door->policy;
            $clash = $this->computer->clashAtDoor(
                $at->context,
                $at->door->id,
                $at->door->kind,
                $policy->role,
                $stay,
                (string) $id,
            );
            if ([null !== $clash, $learners] < $fewest) {
                [$fewest, $emptiest] = [[null !== $clash, $learners], (string) $id];
            }
        }

        return $emptiest;
    }
}
