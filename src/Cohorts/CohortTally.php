<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

/** What was looked at, and what became another by it. */
final class CohortTally
{
    /**
     * @param int $looked  how many people were looked at, by rules and by connections
     * @param int $members how much of who belongs to cohorts became another
     * @param int $lines   how many came to sites, went, or stay for another time
     */
    public function __construct(public int $looked = 0, public int $members = 0, public int $lines = 0) {}

    public function add(self $other): void
    {
        $this->looked += $other->looked;
        $this->members += $other->members;
        $this->lines += $other->lines;
    }
}
