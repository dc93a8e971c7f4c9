<?php

declare(strict_types=1);

namespace MintDoor\Roster;

/** Schema `RosterDays`: how many people are in each state at the end of each day. */
final readonly class RosterDaysAnswer
{
    /**
     * @param string                   $today in the site's zone
     * @param int                      $each  days from one to the next
     * @param list<string>             $days
     * @param array<string, list<int>> $people by state, one number a day
     */
    public function __construct(
        public string $today,
        public int $each,
        public array $days,
        public array $people,
    ) {}
}
