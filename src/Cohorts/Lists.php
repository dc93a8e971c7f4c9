<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Cohorts\Repository\CohortMembers;
use MintDoor\Core\Cohorts\Membership;
use MintDoor\Core\Cohorts\Source;
use MintDoor\Core\Time\Spans;
use MintDoor\Core\Time\Window;
use MintDoor\Shared\Locks;
use MintDoor\Shared\PlatformClock;

/** Who is on the lists of cohorts. Runs inside a transaction. */
final readonly class Lists
{
    public function __construct(
        private CohortMembers $members,
        private CohortKeeper $keeper,
        private CohortBook $book,
        private Locks $locks,
        private PlatformClock $clock,
    ) {}

    /**
     * Puts people on a list and takes people off it, from now on.
     *
     * @param string       $cohort id
     * @param list<string> $add    ids
     * @param list<string> $remove ids
     * @param string       $by     id of whoever does it
     *
     * @return list<Changed>
     */
    public function put(string $cohort, array $add, array $remove, string $by): array
    {
        $now = $this->clock->instant();
        $people = array_values(array_unique([...$add, ...$remove]));
        // Who looks at them for a rule that reads the list sees them before it or after it.
        $this->locks->people($people, alone: true);
        $stored = $this->members->spans([$cohort], $people)[$cohort] ?? [];
        $changes = [];
        foreach ($people as $person) {
            $before = $stored[$person] ?? Spans::never();
            $ahead = \in_array($person, $add, true) ? Spans::of(new Window($now)) : Spans::never();
            $after = Membership::renewed($before, $ahead, $now);
            if ($after->windows != $before->windows) {
                $changes[] = new Changed($cohort, $person, $before, $after);
            }
        }
        $this->keeper->keep($changes, $now, $by);
        // Rules that read it look at them.
        $web = $this->book->web();
        $touched = $web->touched([Source::cohort($cohort)->key()]);
        if ([] !== $changes && [] !== $touched) {
            $of = array_map(static fn(Changed $change): string => $change->person, $changes);
            $this->keeper->look($web, $of, $touched, $now);
        }

        return $changes;
    }

    /**
     * Puts somebody on the lists another is on.
     *
     * @return list<string> ids of those they were not on before
     */
    public function lend(string $from, string $to, string $by): array
    {
        $now = $this->clock->instant();
        $lists = array_diff($this->members->listsOf($from, $now), $this->members->listsOf($to, $now));
        foreach ($lists as $list) {
            $this->put($list, [$to], [], $by);
        }

        return array_values($lists);
    }

    /** @param list<string> $lists ids of those they were put on by `lend()` */
    public function giveBack(string $person, array $lists, string $by): void
    {
        foreach (array_intersect($lists, $this->members->listsOf($person, $this->clock->instant())) as $list) {
            $this->put($list, [], [$person], $by);
        }
    }
}
