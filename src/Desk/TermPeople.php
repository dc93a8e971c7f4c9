<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\CarryLines;
use MintDoor\Changes\ChangeComputer;
use MintDoor\Changes\ComputedList;
use MintDoor\Changes\LetInFromOutside;
use MintDoor\Changes\LineAnswer;
use MintDoor\Changes\LineRequest;
use MintDoor\Cohorts\CohortRights;
use MintDoor\Cohorts\Repository\CohortMembers;
use MintDoor\Cohorts\Repository\LinkWorks;
use MintDoor\Core\Changes\TermStep;
use MintDoor\Core\Changes\TermTurn;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Platform\Term;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Doors\Entity\WaitingRecord;
use MintDoor\Doors\Repository\WaitingPlaces;
use MintDoor\Intake\OutsideReach;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Directory;
use MintDoor\People\Repository\People;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Problem;

/** The people of sites whose term changes: who leaves, who stays, who comes. Runs inside a transaction. */
final readonly class TermPeople
{
    /** "here" are those who would come and are here already, "notYet" those whose line can not be carried out. */
    public const COUNTS = ['leave', 'ends', 'stay', 'follow', 'come', 'here', 'staff', 'notYet'];

    public function __construct(
        private ChangeComputer $computer,
        private CarryLines $lines,
        private CohortRights $cohorts,
        private CohortMembers $members,
        private LinkWorks $links,
        private WaitingPlaces $waiting,
        private Enrollments $enrollments,
        private People $people,
        private Directory $directory,
        private LetInFromOutside $outside,
        private Roles $roles,
    ) {}

    /**
     * @return array<string, true> ids of those who belong to a cohort, now or later
     *
     * @throws Problem where the cohort is not there for the caller
     */
    public function ofCohort(string $cohort, Caller $caller, int $now, string $field): array
    {
        try {
            $found = $this->cohorts->used($cohort, $caller);
        } catch (Problem) {
            throw Problem::field($field, 'cohort', 'desk.term.choose-cohort');
        }

        return array_fill_keys($this->members->ofCohort($found->id, $now), true);
    }

    /** @return list<string> ids of those who wait for a seat in a site, the first first */
    public function waiting(string $site): array
    {
        $waiting = array_values($this->waiting->forSeats($site));

        return array_values(
            array_unique(array_map(static fn(WaitingRecord $one): string => $one->person->id, $waiting)),
        );
    }

    /**
     * What becomes of the people of a site that goes on.
     *
     * @param SiteAccess                $access   as the site is in the new term
     * @param array<string, Enrollment> $enrolled by person
     * @param array<string, true>       $leaving  ids of those of the cohort that leaves
     * @param list<string>              $come     ids
     * @param ?int                      $oldEnds  when the old term is over
     * @param ?string                   $oldLast  its last day
     *
     * @return array{array<string, LineRequest>, array<string, int>} lines by person, and counts
     */
    public function turn(
        SiteAccess $access,
        array $enrolled,
        TermChangeRequest $request,
        array $leaving,
        array $come,
        Term $term,
        ?int $oldEnds,
        ?string $oldLast,
    ): array {
        $later = 'term' === $request->leaveOn && null !== $oldEnds && $oldEnds > $access->now;
        $turn = new TermTurn(
            $this->roles->book(),
            self::leave($request->leave),
            $leaving,
            $request->sections,
            $request->others,
            $request->emptied,
            $later ? $oldEnds : $access->now,
            $oldEnds,
            array_fill_keys($come, true),
            array_fill_keys($this->links->following($access->site->id, $access->now), true),
        );
        $lines = [];
        $counts = array_fill_keys(self::COUNTS, 0);
        foreach ($enrolled as $person => $enrollment) {
            $step = $turn->of((string) $person, $enrollment->timeline(), $access->now);
            $line = match ($step) {
                TermStep::Leaves => $later
                    ? new LineRequest((string) $person, 'change-dates', untilDay: $oldLast)
                    : new LineRequest((string) $person, 'remove'),
                TermStep::StaysOn => new LineRequest((string) $person, 'change-dates', untilDay: $term->endsOn),
                TermStep::LeavesSection => new LineRequest((string) $person, 'change-sections'),
                default => null,
            };
            $counted = match ($step) {
                TermStep::Leaves => 'leave',
                TermStep::Ends => 'ends',
                TermStep::Follows => 'follow',
                TermStep::None => null,
                default => 'stay',
            };
            null === $counted || ++$counts[$counted];
            null === $line || ($lines[(string) $person] = $line);
        }
        [$coming, $here] = $this->come($access, $enrolled, $request, $come, $term);

        return [$lines + $coming, ['here' => $here, 'come' => \count($coming)] + $counts];
    }

    /**
     * @param array<string, Enrollment> $enrolled by person
     * @param list<string>              $come     ids
     *
     * @return array{array<string, LineRequest>, int} lines of those who come by person, and how many are here already
     */
    public function come(
        SiteAccess $access,
        array $enrolled,
        TermChangeRequest $request,
        array $come,
        Term $term,
    ): array {
        $from = 'term' === $request->comeOn && $access->startOf($term->startsOn, '/term') > $access->now
            ? $term->startsOn
            : null;
        $lines = [];
        $here = 0;
        foreach (array_unique($come) as $person) {
            $present = ($enrolled[$person] ?? null)?->timeline()->at($access->now);
            if (true === $present?->state->here() && State::Waiting !== $present->state) {
                ++$here;
                continue;
            }
            $clash = null === $request->clash ? null : trim($request->clash);
            $lines[$person] = new LineRequest(
                $person,
                'let-in',
                $request->role,
                $from,
                note: '' === (string) $clash ? null : $clash,
                sure: true,
                clash: '' !== (string) $clash,
            );
        }

        return [$lines, $here];
    }

    /**
     * Those who are staff of a site, in the one that is made like it.
     *
     * @param array<string, Enrollment> $enrolled by person
     * @param array<string, ?string>    $sections id of a section there by that of one here
     * @param ?string                   $but      id of whoever is there already
     *
     * @return array<string, LineRequest> by person
     */
    public function staff(array $enrolled, array $sections, int $now, ?string $but): array
    {
        $lines = [];
        foreach ($enrolled as $person => $enrollment) {
            $present = $enrollment->timeline()->at($now);
            $role = $this->staffRole($present);
            if (null === $role || null === $present || (string) $person === $but) {
                continue;
            }
            $there = array_filter(array_map(
                static fn(string $id): ?string => $sections[$id] ?? null,
                $present->sections
            ));
            $lines[(string) $person] = new LineRequest(
                (string) $person,
                'let-in',
                $role,
                section: array_values($there)[0] ?? null,
                sure: true,
            );
        }

        return $lines;
    }

    /**
     * Those who come and are not there for the caller: nobody may be let in whom one cannot look up, unless they are,
     * or were, in the site.
     *
     * @param array<string, LineRequest> $lines by person
     *
     * @return list<string> ids
     */
    public function hidden(SiteAccess $access, array $lines): array
    {
        $come = array_filter($lines, static fn(LineRequest $line): bool => 'let-in' === $line->verb);
        $ids = array_map(strval(...), array_keys($come));
        $rows = $this->people->byId($ids);
        $reach = $this->directory->reachOf($access->caller);
        $versions = [] === $ids ? [] : $this->enrollments->versions($access->site->id, $ids);
        $hidden = [];
        foreach ($ids as $id) {
            $row = $rows[$id] ?? null;
            $there = null !== $row && null === $row->stringOrNull('gone') && (
                !OutsideReach::maybe($row, $access)
                || PersonVisibility::Hidden !== $reach->visibility(PersonRow::person($row), false)
                || 0 !== ($versions[$id] ?? 0)
            );
            $there || ($hidden[] = $id);
        }

        return $hidden;
    }

    /**
     * @param array<string, LineRequest> $lines by person
     * @param int                        $first position of the first
     */
    public function computed(SiteAccess $access, array $lines, int $first): ComputedList
    {
        $byPosition = [];
        foreach ($lines as $line) {
            $byPosition[$first++] = $line;
        }

        return $this->computer->requested($access, $byPosition, counting: true);
    }

    /** Carries out what is ready. */
    public function store(SiteAccess $access, ComputedList $computed, string $changeList): void
    {
        $this->lines->store($access, $computed, $changeList);
        $this->outside->tell($access, $computed->ready());
    }

    /** How many cannot be carried out as it is. */
    public static function notYet(ComputedList $computed): int
    {
        $settled = [Verdict::Ready, Verdict::NothingToDo];

        return \count(array_filter(
            $computed->answers,
            static fn(LineAnswer $answer): bool => !\in_array($answer->verdict, $settled, true),
        ));
    }

    /** The role of somebody who is here and no learner; null for others. */
    private function staffRole(?Segment $present): ?string
    {
        $here = \in_array($present?->state, [State::Current, State::Paused], true);
        $role = $here ? $this->roles->book()->pick($present->roles)[0] ?? null : null;

        return null === $role || $role->takesSeat ? null : $role->code;
    }

    /** @return 'nobody'|'learners'|'cohort'|'sections' */
    private static function leave(string $asked): string
    {
        return \in_array($asked, ['learners', 'cohort', 'sections'], true) ? $asked : 'nobody';
    }
}
