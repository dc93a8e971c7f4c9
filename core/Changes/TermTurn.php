<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;

/**
 * What a change of term is for somebody of a site that goes on. Whoever leads the site stays, and so do those who come
 * anyway, and those whom a cohort brings: they follow it.
 */
final readonly class TermTurn
{
    /**
     * @param 'nobody'|'learners'|'cohort'|'sections' $leave    which learners leave
     * @param array<string, true>                     $cohort   ids of those of the cohort
     * @param list<string>                            $sections ids of those whose learners leave
     * @param bool                                    $others   whether those leave, too, who are neither learners nor
     *     lead the site
     * @param bool                                    $emptied  whether learners who stay leave their sections
     * @param int                                     $leaveAt  when they leave
     * @param ?int                                    $termEnds when the old term is over; null where there was none
     * @param array<string, true>                     $come     ids of those who come
     * @param array<string, true>                     $follow   ids of those whom a cohort brings
     */
    public function __construct(
        private RoleBook $roles,
        private string $leave,
        private array $cohort,
        private array $sections,
        private bool $others,
        private bool $emptied,
        private int $leaveAt,
        private ?int $termEnds,
        private array $come = [],
        private array $follow = [],
    ) {}

    public function of(string $person, Timeline $timeline, int $now): TermStep
    {
        $present = $timeline->at($now);
        if (null === $present || !\in_array($present->state, [State::Current, State::Paused], true)) {
            return TermStep::None;
        }
        $ends = $timeline->holdsUntil($now, static fn(Segment $segment): bool => $segment->state->here());
        if (isset($this->follow[$person])) {
            return TermStep::Follows;
        }
        if (!isset($this->come[$person]) && $this->leaves($person, $present)) {
            return $ends <= $this->leaveAt ? TermStep::Ends : TermStep::Leaves;
        }
        if (null !== $this->termEnds && $ends === $this->termEnds) {
            return TermStep::StaysOn;
        }

        return $this->emptied && [] !== $present->sections && $this->learns($present)
            ? TermStep::LeavesSection
            : TermStep::Stays;
    }

    private function leaves(string $person, Segment $present): bool
    {
        if (!$this->learns($present)) {
            return $this->others && !$this->leads($present);
        }

        return match ($this->leave) {
            'learners' => true,
            'cohort' => isset($this->cohort[$person]),
            'sections' => [] !== array_intersect($present->sections, $this->sections),
            default => false,
        };
    }

    private function learns(Segment $present): bool
    {
        return true === ($this->roles->pick($present->roles)[0] ?? null)?->takesSeat;
    }

    private function leads(Segment $present): bool
    {
        foreach ($present->roles as $role) {
            if (true === $this->roles->find($role)?->lead) {
                return true;
            }
        }

        return false;
    }
}
