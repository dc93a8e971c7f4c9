<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use Sabre\VObject\Component;
use Sabre\VObject\Component\VCalendar;

/** How the clocks of a zone change (VTIMEZONE, RFC 5545, 3.6.5), for a stretch of time: each change written out. */
final class TimeZoneWriter
{
    private function __construct() {}

    public static function add(VCalendar $calendar, \DateTimeZone $zone, int $from, int $until): void
    {
        // Times in UTC need none, nor have zones that are an offset a name to be found by.
        if ('UTC' === $zone->getName() || false === $zone->getLocation()) {
            return;
        }
        $changes = $zone->getTransitions($from - 366 * 86_400, $until) ?: [];
        $written = $calendar->createComponent('VTIMEZONE', ['TZID' => $zone->getName()]);
        \assert($written instanceof Component);
        foreach ($changes as $n => $change) {
            $before = $changes[$n - 1]['offset'] ?? $change['offset'];
            $local = (new \DateTimeImmutable('@'.($change['ts'] + $before)))->format('Ymd\THis');
            $written->add($calendar->createComponent($change['isdst'] ? 'DAYLIGHT' : 'STANDARD', [
                'DTSTART' => $local,
                'TZOFFSETFROM' => self::offset($before),
                'TZOFFSETTO' => self::offset($change['offset']),
                'TZNAME' => $change['abbr'],
            ]));
        }
        $calendar->add($written);
    }

    private static function offset(int $seconds): string
    {
        $minutes = intdiv(abs($seconds), 60);

        return \sprintf('%s%02d%02d', $seconds < 0 ? '-' : '+', intdiv($minutes, 60), $minutes % 60);
    }
}
