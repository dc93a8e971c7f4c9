<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\DaysOff;

/** What was read of a calendar. */
final readonly class CalendarRead
{
    /**
     * @param list<DaysOff> $items by day
     * @param int           $left  events that are no whole days, or were called off
     */
    public function __construct(public array $items, public int $left) {}
}
