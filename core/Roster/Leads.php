<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Time\Window;

/** Who answers for a site, and when: an open site has a lead, now and later. */
final readonly class Leads
{
    public function __construct(private RoleBook $roles) {}

    /** Whether these roles make somebody a lead. */
    public function leads(Segment $segment): bool
    {
        return State::Current === $segment->state && $this->hasLeadRole($segment);
    }

    /** Whether somebody counts against the limit of leads at an instant: they lead now, or will. */
    public function counts(Timeline $timeline, int $now): bool
    {
        $segment = $timeline->at($now);

        return null !== $segment
            && \in_array($segment->state, [State::Current, State::Paused, State::Upcoming], true)
            && $this->hasLeadRole($segment);
    }

    /**
     * The first instant in a window at which nobody leads; null when somebody always does.
     *
     * @param list<LeadTimeline> $people
     */
    public function firstGap(array $people, Window $window): ?int
    {
        $covered = [];
        foreach ($people as $person) {
            $accountClosedFrom = $person->accountClosedFrom;
            foreach ($person->timeline->segments as $segment) {
                if ($this->leads($segment) && $segment->window->from < $accountClosedFrom) {
                    $covered[] = [$segment->window->from, min($segment->window->until, $accountClosedFrom)];
                }
            }
        }
        sort($covered);
        $reached = $window->from;
        foreach ($covered as [$from, $until]) {
            if ($from > $reached) {
                break;
            }
            $reached = max($reached, $until);
        }

        return $reached < $window->until ? $reached : null;
    }

    private function hasLeadRole(Segment $segment): bool
    {
        foreach ($this->roles->pick($segment->roles) as $role) {
            if ($role->lead) {
                return true;
            }
        }

        return false;
    }
}
