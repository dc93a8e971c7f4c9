<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** Days and times as they are written in a language, where no browser does it. */
final class Written
{
    private function __construct() {}

    /**
     * Example: "4 December 2026" for en-GB.
     *
     * @param string $language BCP 47
     */
    public static function day(int $instant, \DateTimeZone $zone, string $language): string
    {
        return self::as('yMMMMd', $instant, $zone, $language);
    }

    /**
     * With the zone, since whoever reads it may live by another clock. Example: "4 December 2026 at 17:00 CET".
     *
     * @param string $language BCP 47
     */
    public static function dayAndTime(int $instant, \DateTimeZone $zone, string $language): string
    {
        return self::as('yMMMMdjmz', $instant, $zone, $language);
    }

    private static function as(string $skeleton, int $instant, \DateTimeZone $zone, string $language): string
    {
        $pattern = (new \IntlDatePatternGenerator($language))->getBestPattern($skeleton);
        $full = \IntlDateFormatter::FULL;
        $formatter = new \IntlDateFormatter($language, $full, $full, $zone, null, (string) $pattern);

        return (string) $formatter->format($instant);
    }
}
