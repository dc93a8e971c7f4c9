<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Doors\Entity\WaitingRecord;

/** What is to be done about the waiting list of a site. */
final readonly class WaitingPlan
{
    /**
     * @param array<string, string> $states what those who wait are in the site now, by person
     * @param list<WaitingRecord>   $closed who waits no more
     * @param list<WaitingRecord>   $over   whose offer is over
     * @param list<WaitingRecord>   $next   to whom a seat is offered now
     */
    public function __construct(
        public array $states,
        public array $closed = [],
        public array $over = [],
        public array $next = [],
    ) {}

    public function any(): bool
    {
        return [] !== $this->closed || [] !== $this->over || [] !== $this->next;
    }
}
