<?php

declare(strict_types=1);

namespace MintDoor\Core\Time;

/** Days from one to another, every so many of them, one given day always among them. */
final readonly class DayRun
{
    /** @param list<string> $days `YYYY-MM-DD`, in order */
    private function __construct(public array $days, public int $each) {}

    /** @return list<int> the last instant of each day */
    public function ends(\DateTimeZone $zone): array
    {
        return array_map(static fn(string $day): int => Time::untilDayIncluded($day, $zone) - 1, $this->days);
    }

    /**
     * From the day of one instant to the day of another; every day where they are few.
     *
     * @param int $among an instant between them, on whose day nothing is left out
     * @param int $most  so many days there are at most, but for the one given
     *
     * @throws NotADay where the calendar ends
     */
    public static function between(int $from, int $until, int $among, \DateTimeZone $zone, int $most): self
    {
        $day = static fn(int $instant): \DateTimeImmutable => (new \DateTimeImmutable('@'.$instant))
            ->setTimezone($zone)
            ->setTime(12, 0);
        [$first, $last, $middle] = [$day($from), $day(max($from, $until)), $day($among)];
        $span = (int) $first->diff($last)->days + 1;
        $each = max(1, (int) ceil($span / $most));
        $before = $middle < $first ? 0 : (int) $first->diff($middle)->days % $each;
        $days = [];
        for ($place = $before; $place < $span; $place += $each) {
            $days[] = $first->modify("+$place days")->format('Y-m-d');
        }

        return new self($days, $each);
    }
}
