<?php

declare(strict_types=1);

namespace MintDoor\Core\Time;

/**
 * The hours of the day in which people may be expected to see a message: deadlines run only then, and not on days off.
 */
final class WakingHours
{
    /** Hours of the clock at which the day begins and ends. */
    public const BEGINS = 8;

    public const ENDS = 22;

    /** So many days off one after the other, and no more, are believed. */
    private const MOST_OFF = 400;

    private function __construct() {}

    /**
     * The instant at which so many waking seconds have passed; it is never at night, and never on a day off.
     *
     * @param int                     $from    an instant
     * @param int                     $seconds 0 or more
     * @param ?callable(string): bool $off     whether a day, as year-month-day, is off; null for none
     */
    public static function after(int $from, int $seconds, \DateTimeZone $zone, ?callable $off = null): int
    {
        $skipped = 0;
        $at = (new \DateTimeImmutable('@'.$from))->setTimezone($zone);
        while (true) {
            $begins = $at->setTime(self::BEGINS, 0);
            if (null !== $off && $skipped < self::MOST_OFF && $off($at->format('Y-m-d'))) {
                ++$skipped;
                $at = $begins->modify('+1 day');
                continue;
            }
            $ends = $at->setTime(self::ENDS, 0);
            $at = $at < $begins ? $begins : $at;
            $left = max(0, $ends->getTimestamp() - $at->getTimestamp());
            // The last second of a day is still that day's; nothing ends at the moment the night begins.
            if ($seconds < $left) {
                return $at->getTimestamp() + $seconds;
            }
            $seconds -= $left;
            $at = $begins->modify('+1 day');
        }
    }

    /** Whether people sleep at an instant. */
    public static function night(int $instant, \DateTimeZone $zone): bool
    {
        $hour = (int) (new \DateTimeImmutable('@'.$instant))->setTimezone($zone)->format('G');

        return $hour < self::BEGINS || $hour >= self::ENDS;
    }
}
