<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

/** That a seat is offered to somebody who waits, or that nobody answered in time. */
final readonly class SeatAhead
{
    /**
     * @param int  $at     instant
     * @param bool $lapses whether an offer is over; else one is made
     */
    public function __construct(public int $at, public bool $lapses, public Waiter $waiter) {}
}
