<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Schema `Forecast`: what will happen by itself if nobody does anything. */
final readonly class ForecastAnswer
{
    /**
     * @param string              $from   the first day, year-month-day
     * @param string              $until  the last day
     * @param list<ForecastDay>   $days   those on which something happens, in order
     * @param list<ForecastEvent> $events the first of them, in order
     * @param int                 $total  how many there are, as far as was looked
     * @param bool                $more   whether there are more people than were looked at
     */
    public function __construct(
        public string $from,
        public string $until,
        public array $days,
        public array $events,
        public int $total,
        public bool $more,
    ) {}
}
