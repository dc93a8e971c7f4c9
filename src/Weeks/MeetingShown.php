<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

/** Schema `MeetingShown`: a meeting in its day. */
final readonly class MeetingShown
{
    /**
     * @param int  $lane  from 0, of so many side by side
     * @param bool $clash whether something of the same week is at the same time
     */
    public function __construct(public Occasion $occasion, public int $lane, public int $lanes, public bool $clash) {}
}
