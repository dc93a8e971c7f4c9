<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\DaysOff;
use MintDoor\Core\Platform\SettingsLaws;
use MintDoor\Shared\Problem;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\InvalidDataException;
use Sabre\VObject\ParseException;
use Sabre\VObject\Property\ICalendar\DateTime;
use Sabre\VObject\Reader;
use Sabre\VObject\Recur\MaxInstancesExceededException;
use Sabre\VObject\Recur\NoInstancesException;
use Sabre\VObject\Settings;

/** Days off from a calendar that was made elsewhere (iCalendar, RFC 5545): its events of whole days. */
final class CalendarFile
{
    /** Bytes. */
    public const LONGEST = 1_000_000;

    /** Events that come again are written out for so many years. */
    private const YEARS = 4;

    /** Of one event that comes again. */
    private const MOST_AGAIN = 2_000;

    private function __construct() {}

    /**
     * @param string $today year-month-day; what is over by the beginning of its year is left out
     *
     * @throws Problem of type `Invalid` where the text is no calendar
     */
    public static function read(string $text, string $today): CalendarRead
    {
        if (\strlen($text) > self::LONGEST) {
            throw self::wrong('too-long', 'desk.calendar-too-long');
        }
        Settings::$maxRecurrences = self::MOST_AGAIN;
        $from = new \DateTimeImmutable(substr($today, 0, 4).'-01-01');
        try {
            $read = Reader::read($text, Reader::OPTION_FORGIVING);
            if (!$read instanceof VCalendar) {
                throw self::wrong('no-calendar', 'desk.no-calendar');
            }
            $all = $read->expand($from, $from->modify('+'.self::YEARS.' years'));
        } catch (MaxInstancesExceededException) {
            throw self::wrong('too-many', 'desk.calendar-too-often');
        } catch (ParseException|InvalidDataException|NoInstancesException|\InvalidArgumentException|\ValueError) {
            throw self::wrong('no-calendar', 'desk.no-calendar');
        }
        $days = [];
        $left = 0;
        foreach ($all->select('VEVENT') as $event) {
            $one = $event instanceof VEvent ? self::one($event) : null;
            null === $one ? ++$left : ($days[$one->from.' '.$one->until.' '.$one->name] = $one);
        }
        ksort($days);
        if (\count($days) > SettingsLaws::MOST_DAYS_OFF) {
            throw self::wrong('too-many', 'desk.calendar-too-many');
        }

        return new CalendarRead(array_values($days), $left);
    }

    /** @return ?DaysOff null for what is no whole day, or was called off */
    private static function one(VEvent $event): ?DaysOff
    {
        $starts = $event->__get('DTSTART');
        $ends = $event->__get('DTEND');
        $called = mb_substr(trim((string) $event->__get('SUMMARY')), 0, SettingsLaws::LONGEST_NAME);
        if (
            !$starts instanceof DateTime
            || $starts->hasTime()
            || 'CANCELLED' === strtoupper((string) $event->__get('STATUS'))
        ) {
            return null;
        }
        $from = $starts->getDateTime()->format('Y-m-d');
        // The end of whole days is the day after the last one.
        $until = $ends instanceof DateTime && !$ends->hasTime()
            ? \DateTimeImmutable::createFromInterface($ends->getDateTime())->modify('-1 day')->format('Y-m-d')
            : $from;

        return new DaysOff($called, $from, max($from, $until));
    }

    private static function wrong(string $code, string $said): Problem
    {
        return Problem::field('/text', $code, $said);
    }
}
