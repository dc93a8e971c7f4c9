<?php

declare(strict_types=1);

namespace MintDoor\Core\Time;

/**
 * Instants in the core are `int`: whole seconds since 1970-01-01T00:00:00Z. Open ends are the two far instants here,
 * which are also what the database stores, so that every comparison is a plain one.
 */
final class Time
{
    /** 1000-01-01T00:00:00Z: an open beginning. */
    public const BEGINNING = -30_610_224_000;

    /** 9999-12-31T00:00:00Z: an open end. */
    public const FOREVER = 253_402_214_400;

    private function __construct() {}

    /**
     * The first instant of a calendar day in a time zone; the day after a day begins where that day ends, also where
     * clocks change.
     *
     * @param string $day `YYYY-MM-DD`
     *
     * @throws NotADay
     */
    public static function startOfDay(string $day, \DateTimeZone $zone, int $daysLater = 0): int
    {
        $date = \DateTimeImmutable::createFromFormat('!Y-m-d', $day, $zone);
        if (
            false === $date
            || $date->format('Y-m-d') !== $day
            || $date->format('Y') < '1900'
            || $date->format('Y') > '2999'
        ) {
            throw new NotADay($day);
        }

        return $date
            ->setDate((int) $date->format('Y'), (int) $date->format('n'), (int) $date->format('j') + $daysLater)
            ->setTime(0, 0)
            ->getTimestamp();
    }

    /**
     * @param string $day  `YYYY-MM-DD`
     * @param string $time `HH:MM` by the clock on the wall; where clocks skip it, the same distance later
     *
     * @throws NotADay
     */
    public static function atTime(string $day, string $time, \DateTimeZone $zone): int
    {
        self::startOfDay($day, $zone);
        $instant = \DateTimeImmutable::createFromFormat('!Y-m-d H:i', $day.' '.$time, $zone);

        return false === $instant ? throw new NotADay($day.' '.$time) : $instant->getTimestamp();
    }

    /**
     * "Until 18 December" as a person types it: the whole of that day is included, so the window ends at the next day's
     * start.
     */
    public static function untilDayIncluded(string $day, \DateTimeZone $zone): int
    {
        return self::startOfDay($day, $zone, 1);
    }
}
