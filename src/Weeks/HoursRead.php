<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

/** Schema `HoursRead`: hours a calendar would come to, and what of it is left out. */
final readonly class HoursRead
{
    /**
     * @param list<OneHoursRequest> $hours
     * @param int                   $wholeDays events without a time
     * @param int                   $others    events nothing could be made of: called off, endless, or unreadable
     */
    public function __construct(public array $hours, public int $wholeDays, public int $others) {}
}
