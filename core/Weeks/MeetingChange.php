<?php

declare(strict_types=1);

namespace MintDoor\Core\Weeks;

/** One meeting of some hours that is not as the others: it is off, or at another time or place. */
final readonly class MeetingChange
{
    /**
     * @param string  $day     year-month-day on which it would be; of one day hours have one meeting
     * @param ?string $toDay   on which it is; null where it is off
     * @param string  $time    `HH:MM` by the clock on the wall
     * @param int     $minutes it lasts
     */
    public function __construct(
        public string $day,
        public ?string $toDay = null,
        public string $time = '',
        public int $minutes = 0,
        public Place $place = new Place(),
    ) {}

    public function isOff(): bool
    {
        return null === $this->toDay;
    }
}
