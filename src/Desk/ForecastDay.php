<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** What happens by itself on a day, counted: member `days` of schema `Forecast`. */
final readonly class ForecastDay
{
    /**
     * @param string $day   year-month-day
     * @param int    $come  people who can enter from then on
     * @param int    $leave people who are not here any more
     * @param int    $other all else
     */
    public function __construct(
        public string $day,
        public int $come,
        public int $leave,
        public int $other,
    ) {}
}
