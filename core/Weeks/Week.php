<?php

declare(strict_types=1);

namespace MintDoor\Core\Weeks;

use MintDoor\Core\Time\NotADay;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\WakingHours;
use MintDoor\Core\Time\Window;

/**
 * Seven days of a person, a site or a room: what meets when, what is at the same time, what is free, and which ways
 * are too long.
 */
final readonly class Week
{
    /** Seconds the way from one building to another takes. */
    public const WAY = 15 * 60;

    /** Shorter free stretches are not told, in seconds. */
    public const LEAST_FREE = 30 * 60;

    /**
     * @param list<DayOfWeek> $days
     * @param list<Clash>     $clashes in these days
     */
    private function __construct(public Window $window, public array $days, public array $clashes) {}

    /**
     * @param string        $monday   year-month-day, the first of the seven
     * @param list<Meeting> $meetings in any order; those of other days are left out
     * @param bool          $walks    whether they are one person's, who has to get from one to the next
     *
     * @throws NotADay
     */
    public static function of(string $monday, \DateTimeZone $zone, array $meetings, bool $walks = true): self
    {
        $days = $all = [];
        $whole = new Window(Time::startOfDay($monday, $zone), Time::startOfDay($monday, $zone, 7));
        usort(
            $meetings,
            static fn(Meeting $a, Meeting $b): int => [$a->from, $a->until, $a->hours] <=> [
                $b->from,
                $b->until,
                $b->hours,
            ],
        );
        for ($n = 0; $n < 7; ++$n) {
            $day = new Window(Time::startOfDay($monday, $zone, $n), Time::startOfDay($monday, $zone, $n + 1));
            $here = array_values(
                array_filter($meetings, static fn(Meeting $meeting): bool => $day->contains($meeting->from)),
            );
            // What began before midnight and is still on takes time of this day, too.
            $taking = array_values(
                array_filter(
                    $meetings,
                    static fn(Meeting $meeting): bool => $meeting->from < $day->until && $meeting->until > $day->from,
                ),
            );
            $noon = (new \DateTimeImmutable('@'.($day->from + 43_200)))->setTimezone($zone);
            $waking = new Window(
                $noon->setTime(WakingHours::BEGINS, 0)->getTimestamp(),
                $noon->setTime(WakingHours::ENDS, 0)->getTimestamp(),
            );
            $days[] = new DayOfWeek(
                $noon->format('Y-m-d'),
                self::placed($here),
                Free::within($waking, $taking, self::LEAST_FREE),
                $walks ? self::walks($here) : [],
            );
            array_push($all, ...$here);
        }

        return new self($whole, $days, Clashes::among($all));
    }

    /**
     * Side by side where they are at the same time: each takes the first lane that is empty when it begins, which is
     * as few as there can be, and those that hang together share the width.
     *
     * @param list<Meeting> $meetings by their beginning
     *
     * @return list<PlacedMeeting>
     */
    private static function placed(array $meetings): array
    {
        $placed = $run = $ends = [];
        $last = Time::BEGINNING;
        foreach ([...$meetings, null] as $meeting) {
            if (null === $meeting || $meeting->from >= $last) {
                foreach ($run as [$each, $lane]) {
                    $others = array_filter(
                        $run,
                        static fn(array $other): bool => !$each->is($other[0]) && $each->overlaps($other[0]),
                    );
                    $placed[] = new PlacedMeeting($each, $lane, \count($ends), [] !== $others);
                }
                $run = $ends = [];
            }
            if (null === $meeting) {
                break;
            }
            $lane = 0;
            while (($ends[$lane] ?? Time::BEGINNING) > $meeting->from) {
                ++$lane;
            }
            $ends[$lane] = $meeting->until;
            $last = max($last, $meeting->until);
            $run[] = [$meeting, $lane];
        }

        return $placed;
    }

    /**
     * @param list<Meeting> $meetings by their beginning
     *
     * @return list<Walk>
     */
    private static function walks(array $meetings): array
    {
        $walks = [];
        foreach ($meetings as $n => $after) {
            $before = $meetings[$n - 1] ?? null;
            $between = null === $before ? self::WAY : $after->from - $before->until;
            if (null !== $before && $between >= 0 && $between < self::WAY && $after->place->isFarFrom($before->place)) {
                $walks[] = new Walk($before, $after, $between);
            }
        }

        return $walks;
    }
}
