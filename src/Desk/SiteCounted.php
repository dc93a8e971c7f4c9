<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** How many are in a site. */
final readonly class SiteCounted
{
    /**
     * @param int $learners who hold seats
     * @param int $staff    whoever else is here
     * @param int $waiting  who wait for a seat or an answer
     * @param int $lately   learners who came lately
     * @param int $never    learners who never came
     */
    public function __construct(
        public int $learners = 0,
        public int $staff = 0,
        public int $waiting = 0,
        public int $lately = 0,
        public int $never = 0,
    ) {}
}
