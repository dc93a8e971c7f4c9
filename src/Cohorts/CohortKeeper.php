<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Cohorts\Repository\CohortLinks;
use MintDoor\Cohorts\Repository\CohortMembers;
use MintDoor\Cohorts\Repository\LinkWorks;
use MintDoor\Cohorts\Repository\RuleFacts;
use MintDoor\Core\Cohorts\Membership;
use MintDoor\Core\Cohorts\Web;
use MintDoor\Core\Time\Spans;
use MintDoor\Platform\PlatformSettings;

/** Looks at people, and keeps who belongs to which cohort by rule. Runs inside a transaction. */
final readonly class CohortKeeper
{
    public function __construct(
        private RuleFacts $facts,
        private CohortMembers $members,
        private CohortLinks $links,
        private LinkWorks $work,
        private PlatformSettings $settings,
    ) {}

    /**
     * What would be different for people.
     *
     * @param list<string> $people  ids
     * @param list<string> $cohorts ids of those that are looked at, in `Web::order()`
     *
     * @return list<Changed>
     */
    public function would(Web $web, array $people, array $cohorts, int $now): array
    {
        $read = array_values(array_diff($web->cohortsReadBy(...$cohorts), $cohorts));
        $tree = $this->settings->read()->divisions;
        $facts = $this->facts->of($people, $web->sitesReadBy(...$cohorts), $read, $tree, $now);
        $stored = $this->members->spans($cohorts, $people);
        $changes = [];
        foreach ($people as $person) {
            $belongs = isset($facts[$person]) ? $web->belongings($facts[$person], $cohorts, $now) : [];
            foreach ($cohorts as $cohort) {
                $before = $stored[$cohort][$person] ?? Spans::never();
                $after = Membership::renewed($before, $belongs[$cohort] ?? Spans::never(), $now);
                if ($before->windows != $after->windows) {
                    $changes[] = new Changed($cohort, $person, $before, $after);
                }
            }
        }

        return $changes;
    }

    /**
     * Looks at people anew, and asks the connections of cohorts whose people became others to look at them.
     *
     * @param list<string> $people  ids
     * @param list<string> $cohorts ids, in `Web::order()`
     *
     * @return int how much became another
     */
    public function look(Web $web, array $people, array $cohorts, int $now): int
    {
        $changes = $this->would($web, $people, $cohorts, $now);
        $this->keep($changes, $now);

        return \count($changes);
    }

    /**
     * @param list<Changed> $changes
     * @param ?string       $by      id of who put them there or took them out; null for rules
     */
    public function keep(array $changes, int $now, ?string $by = null): void
    {
        if ([] === $changes) {
            return;
        }
        $this->members->keep($changes, $now, $by);
        $people = [];
        foreach ($changes as $change) {
            $people[$change->cohort][] = $change->person;
        }
        $ask = [];
        foreach ($this->links->ofCohorts(array_map(strval(...), array_keys($people))) as $link) {
            $ask[$link->id] = $people[$link->cohort->id];
        }
        $this->work->ask($ask, $now);
    }
}
