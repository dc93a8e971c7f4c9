<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\WakingHours;
use MintDoor\Core\Weeks\Meeting;

/**
 * When somebody who came through a door has been away so long that the seat is another's: after so many days, or so
 * many meetings, whichever is first. Days off do not count. They are warned, and have time to come, before it is done.
 */
final readonly class QuietRule
{
    /** Waking seconds between the warning and the release: three days of fourteen hours. */
    public const GRACE = 3 * 14 * 3_600;

    /** A rule looks no further ahead, in days. */
    private const HORIZON = 400;

    /**
     * @param ?int      $days     that count
     * @param ?int      $meetings missed one after the other
     * @param list<int> $weekdays on which there are meetings, 1 for Monday to 7 for Sunday: where the site does not say
     */
    public function __construct(public ?int $days = null, public ?int $meetings = null, public array $weekdays = []) {}

    public function holds(): bool
    {
        return null !== $this->days || null !== $this->meetings;
    }

    /**
     * From when on somebody counts as quiet.
     *
     * @param int                    $seen   when they were last here, or came in
     * @param callable(string): bool $counts whether a day, as year-month-day, is none off
     * @param int                    $opens  when the site did: what was before is nobody's absence
     * @param ?list<Meeting>         $own    meetings that are theirs, by their beginning; null where the site does not
     *     say when it meets: then there is one on each of the weekdays
     *
     * @return ?int the end of the day that makes it full; null while that is further off than the rule looks
     */
    public function quietFrom(
        int $seen,
        \DateTimeZone $zone,
        callable $counts,
        int $opens = Time::BEGINNING,
        ?array $own = null,
    ): ?int {
        $held = [];
        foreach ($own ?? [] as $meeting) {
            $on = (new \DateTimeImmutable('@'.$meeting->from))->setTimezone($zone)->format('Y-m-d');
            $held[$on] = ($held[$on] ?? 0) + 1;
        }
        $day = (new \DateTimeImmutable('@'.max($seen, $opens)))->setTimezone($zone)->setTime(0, 0);
        $days = $meetings = 0;
        for ($n = 0; $n < self::HORIZON; ++$n) {
            $day = $day->modify('+1 day');
            if (!$counts($day->format('Y-m-d'))) {
                continue;
            }
            ++$days;
            $meetings += null === $own
                ? (int) \in_array((int) $day->format('N'), $this->weekdays, true)
                : $held[$day->format('Y-m-d')] ?? 0;
            if (
                (null !== $this->days && $days >= $this->days)
                || (null !== $this->meetings && $meetings >= $this->meetings)
            ) {
                return $day->modify('+1 day')->getTimestamp();
            }
        }

        return null;
    }

    /**
     * When somebody who was warned at an instant loses the seat.
     *
     * @param ?callable(string): bool $off whether a day, as year-month-day, is off; null for none
     */
    public static function releasedAt(int $warned, \DateTimeZone $zone, ?callable $off = null): int
    {
        return WakingHours::after($warned, self::GRACE, $zone, $off);
    }
}
