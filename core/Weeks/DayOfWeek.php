<?php

declare(strict_types=1);

namespace MintDoor\Core\Weeks;

use MintDoor\Core\Time\Window;

/** One day of somebody's week, arranged. */
final readonly class DayOfWeek
{
    /**
     * @param string              $day      year-month-day
     * @param list<PlacedMeeting> $meetings by their beginning
     * @param list<Window>        $free     of the waking hours, what nothing takes
     * @param list<Walk>          $walks    ways that are too long for the time there is
     */
    public function __construct(
        public string $day,
        public array $meetings,
        public array $free,
        public array $walks,
    ) {}
}
