<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Core\Text\Folding;
use MintDoor\Core\Weeks\Hours;
use MintDoor\Core\Weeks\MeetingChange;
use MintDoor\Core\Weeks\Place;
use MintDoor\Core\Weeks\WeeklyRule;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Problem;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\InvalidDataException;
use Sabre\VObject\ParseException;
use Sabre\VObject\Property;
use Sabre\VObject\Property\ICalendar\DateTime;
use Sabre\VObject\Reader;

/**
 * Hours from a calendar that was made elsewhere (iCalendar, RFC 5545): each event with its rule of recurrence, the days
 * it leaves out, and the single meetings that are at another time. Times without a zone are those of the site.
 */
final class HoursFile
{
    /** Bytes. */
    public const LONGEST = 1_000_000;

    /** @param array<string, string> $sections names, by id */
    private function __construct(private readonly SiteAccess $access, private readonly array $sections) {}

    /**
     * @param array<string, string> $sections names of those of the site, by id
     *
     * @throws Problem of type `Invalid` where the text is no calendar, or a very large one
     */
    public static function read(string $text, SiteAccess $access, array $sections): HoursRead
    {
        if (\strlen($text) > self::LONGEST) {
            throw Problem::field('/text', 'too-long', 'weeks.calendar-too-long');
        }
        try {
            $calendar = Reader::read($text, Reader::OPTION_FORGIVING);
        } catch (ParseException|\InvalidArgumentException|\ValueError) {
            throw Problem::field('/text', 'no-calendar', 'weeks.no-calendar');
        }
        if (!$calendar instanceof VCalendar) {
            throw Problem::field('/text', 'no-calendar', 'weeks.no-calendar');
        }

        return (new self($access, $sections))->all($calendar);
    }

    private function all(VCalendar $calendar): HoursRead
    {
        $masters = $moved = [];
        $wholeDays = $others = 0;
        foreach ($calendar->select('VEVENT') as $n => $event) {
            \assert($event instanceof VEvent);
            $starts = $event->__get('DTSTART');
            if (!$starts instanceof DateTime || 'CANCELLED' === strtoupper((string) $event->__get('STATUS'))) {
                ++$others;
            } elseif (!$starts->hasTime()) {
                ++$wholeDays;
            } else {
                $uid = (string) $event->__get('UID') ?: 'n'.$n;
                if (isset($event->{'RECURRENCE-ID'})) {
                    $moved[$uid][] = $event;
                } else {
                    $masters[$uid] = $event;
                }
            }
        }
        $hours = [];
        foreach ($masters as $uid => $event) {
            try {
                array_push($hours, ...$this->one($event, $moved[$uid] ?? []));
            } catch (NoRecurrence|InvalidDataException|\ValueError|\TypeError|\Exception) {
                ++$others;
            }
        }
        if (\count($hours) > Hours::MOST_OF_SITE) {
            throw Problem::field('/text', 'too-many', 'weeks.fewer-hours');
        }

        return new HoursRead($hours, $wholeDays, $others);
    }

    /**
     * @param list<VEvent> $moved its single meetings that are at another time
     *
     * @return list<OneHoursRequest> one, and one more for each further day it names
     */
    private function one(VEvent $event, array $moved): array
    {
        $starts = self::time($event, 'DTSTART', $this->access->zone());
        $zone = $starts->getTimezone();
        $minutes = self::minutes($event, $starts);
        $rule = strtoupper((string) $event->__get('RRULE'));
        $first = $starts->format('Y-m-d');
        $weekly = '' === $rule ? null : WeeklyRule::read($rule, $first, $zone);
        if (null !== $weekly && null === $weekly->until) {
            // A rule without an end goes on as long as the term.
            $last = $this->access->row->stringOrNull('ends_on')
                ?? $starts->modify('+1 year')->format('Y-m-d');
            $weekly = new WeeklyRule($weekly->days, $weekly->every, max($first, $last));
            $rule = $weekly->text($zone);
        }
        $place = self::place((string) $event->__get('LOCATION'));
        $hours = new Hours('', '', null, $first, $starts->format('H:i'), $minutes, $zone->getName(), $rule, $place);
        $days = Recurrence::days($hours);
        $name = mb_substr(trim((string) $event->__get('SUMMARY')), 0, 80);
        [$section, $name] = $this->section($name);
        $changes = $this->changes($event, $moved, $hours, $days);
        $asked = fn(string $day, bool $again): OneHoursRequest => new OneHoursRequest(
            $day,
            $hours->time,
            $minutes,
            null,
            $section,
            $name,
            $again ? $weekly->days ?? [] : [],
            $again ? $weekly->every ?? 1 : 1,
            $again ? $weekly?->until : null,
            $again && null === $weekly && '' !== $rule ? $rule : null,
            $place->room,
            $place->building,
            true,
            $again ? $changes : [],
            $zone->getName() === $this->access->zone()->getName() ? null : $zone->getName(),
        );
        $all = [$asked($first, true)];
        foreach (self::days($event, 'RDATE', $zone) as $day) {
            \in_array($day, $days, true) || ($all[] = $asked($day, false));
        }

        return $all;
    }

    /**
     * @param list<VEvent> $moved
     * @param list<string> $days  on which there is a meeting
     *
     * @return list<MeetingChangeRequest>
     */
    private function changes(VEvent $event, array $moved, Hours $hours, array $days): array
    {
        $zone = new \DateTimeZone($hours->zone);
        $changes = [];
        foreach (self::days($event, 'EXDATE', $zone) as $day) {
            $changes[$day] = new MeetingChange($day);
        }
        foreach ($moved as $each) {
            $day = self::time($each, 'RECURRENCE-ID', $zone)->setTimezone($zone)->format('Y-m-d');
            $starts = self::time($each, 'DTSTART', $zone)->setTimezone($zone);
            $place = null === $each->__get('LOCATION')
                ? $hours->place
                : self::place((string) $each->__get('LOCATION'));
            $changes[$day] = new MeetingChange(
                $day,
                $starts->format('Y-m-d'),
                $starts->format('H:i'),
                self::minutes($each, $starts),
                $place,
            );
        }
        ksort($changes);
        $asked = [];
        foreach (\array_slice($changes, 0, Hours::MOST_CHANGES) as $change) {
            if (\in_array($change->day, $days, true)) {
                $asked[] = new MeetingChangeRequest(
                    $change->day,
                    $change->toDay,
                    $change->time,
                    $change->minutes,
                    $change->place->room,
                    $change->place->building,
                );
            }
        }

        return $asked;
    }

    /** @return list<string> year-month-day of all values of a property, in a zone */
    private static function days(VEvent $event, string $name, \DateTimeZone $zone): array
    {
        $days = [];
        foreach ($event->select($name) as $property) {
            if ($property instanceof DateTime) {
                foreach ($property->getDateTimes($zone) as $time) {
                    $days[] = \DateTimeImmutable::createFromInterface($time)->setTimezone($zone)->format('Y-m-d');
                }
            }
        }

        return $days;
    }

    private static function time(VEvent $event, string $name, \DateTimeZone $zone): \DateTimeImmutable
    {
        $property = $event->__get($name);
        if (!$property instanceof DateTime) {
            throw new NoRecurrence('no-rule');
        }

        return \DateTimeImmutable::createFromInterface($property->getDateTime($zone));
    }

    private static function minutes(VEvent $event, \DateTimeImmutable $starts): int
    {
        $ends = $event->__get('DTEND');
        $lasts = $event->__get('DURATION');
        $until = match (true) {
            $ends instanceof DateTime => $ends->getDateTime($starts->getTimezone())->getTimestamp(),
            $lasts instanceof Property\ICalendar\Duration => $starts->add($lasts->getDateInterval())->getTimestamp(),
            default => $starts->getTimestamp() + 3_600,
        };

        return max(Hours::SHORTEST, min(Hours::LONGEST, intdiv($until - $starts->getTimestamp(), 60)));
    }

    /** "Room 12, Quay House": what comes last is the building. */
    private static function place(string $location): Place
    {
        $parts = array_map(trim(...), explode(',', $location));
        $building = \count($parts) > 1 ? (string) array_pop($parts) : '';

        return new Place(
            mb_substr(implode(', ', $parts), 0, Place::LONGEST),
            mb_substr($building, 0, Place::LONGEST),
        );
    }

    /**
     * The section a name speaks of.
     *
     * @return array{?string, string} its id, and the name; nothing where it is only that of the section
     */
    private function section(string $name): array
    {
        $words = self::words($name);
        $found = null;
        foreach ($this->sections as $id => $section) {
            $longer = null === $found || \strlen($section) > \strlen($this->sections[$found]);
            if ($longer && str_contains($words, self::words($section))) {
                $found = $id;
            }
        }
        $only = null !== $found && self::words($this->sections[$found]) === $words;

        return [$found, $only ? '' : $name];
    }

    /** Words with a space before and after each. */
    private static function words(string $text): string
    {
        return ' '.trim((string) preg_replace('/[^a-z0-9]+/', ' ', Folding::fold($text))).' ';
    }
}
