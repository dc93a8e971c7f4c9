<?php

declare(strict_types=1);

namespace MintDoor\Core\Time;

/** The hours of the day in which people may be expected to see a message: deadlines run only then. */
final class WakingHours
{
    /** Hours of the clock at which the day begins and ends. */
    public const BEGINS = 8;

    public const ENDS = 22;

    private function __construct() {}

    /**
     * The instant at which so many waking seconds have passed; it is never at night.
     *
     * @param int $from    an instant
     * @param int $seconds 0 or more
     */
    public static function after(int $from, int $seconds, \DateTimeZone $zone): int
    {
        $at = (new \DateTimeImmutable('@'.$from))->setTimezone($zone);
        while (true) {
            $begins = $at->setTime(self::BEGINS, 0);
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
