<?php

declare(strict_types=1);

namespace MintDoor\Core\Weeks;

use MintDoor\Core\Sites\TermShift;
use MintDoor\Core\Time\NotADay;
use MintDoor\Core\Time\Time;

/**
 * Hours of a section, or of a site as a whole: on which days it meets, from when, for how long, where, and what is
 * different on single days. Times are by the clock on the wall of a zone, so they stay where clocks change.
 */
final readonly class Hours
{
    /** Minutes a meeting lasts. */
    public const SHORTEST = 5;

    public const LONGEST = 1_440;

    /** Meetings of one series. */
    public const MOST_MEETINGS = 400;

    /** Hours of one site. */
    public const MOST_OF_SITE = 400;

    /** Single days of one series that are not as the others. */
    public const MOST_CHANGES = 100;

    /**
     * @param ?string             $section id, null for the site as a whole
     * @param string              $first   year-month-day of the first meeting
     * @param string              $time    `HH:MM`
     * @param string              $zone    name
     * @param string              $rule    of recurrence (RFC 5545, 3.3.10), nothing for a single meeting
     * @param bool                $rests   whether it is off on days off of the platform's calendar
     * @param list<MeetingChange> $changes by day, no day twice
     * @param string              $name    what meets, where it is not simply the section
     */
    public function __construct(
        public string $id,
        public string $site,
        public ?string $section,
        public string $first,
        public string $time,
        public int $minutes,
        public string $zone,
        public string $rule = '',
        public Place $place = new Place(),
        public bool $rests = true,
        public array $changes = [],
        public string $name = '',
    ) {}

    /** The same in another term, on the same days of the week; single days that were not as the others are as they. */
    public function moved(TermShift $shift): self
    {
        $utc = new \DateTimeZone('UTC');
        $rule = preg_replace_callback(
            '/(?<=UNTIL=)(\d{8})(T\d{6}Z)?/',
            static function (array $found) use ($shift, $utc): string {
                if (!isset($found[2])) {
                    $day = \DateTimeImmutable::createFromFormat('!Ymd', $found[1], $utc);

                    return false === $day ? $found[0] : str_replace('-', '', $shift->day($day->format('Y-m-d')));
                }
                $last = \DateTimeImmutable::createFromFormat('!Ymd\THis\Z', $found[0], $utc);

                return false === $last
                    ? $found[0]
                    : $last->setTimestamp($shift->begin($last->getTimestamp()))->format('Ymd\THis\Z');
            },
            $this->rule,
        );

        return new self(
            $this->id,
            $this->site,
            $this->section,
            $shift->sameWeekday($this->first),
            $this->time,
            $this->minutes,
            $this->zone,
            (string) $rule,
            $this->place,
            $this->rests,
            [],
            $this->name,
        );
    }

    /**
     * The meetings, but for days off of the platform's calendar.
     *
     * @param list<string> $days year-month-day on which the rule has one, in order
     *
     * @return list<Meeting> by their beginning
     *
     * @throws NotADay
     */
    public function meetings(array $days): array
    {
        $zone = new \DateTimeZone($this->zone);
        $changes = [];
        foreach ($this->changes as $change) {
            $changes[$change->day] = $change;
        }
        $meetings = [];
        foreach ($days as $day) {
            $change = $changes[$day] ?? null;
            if (true === $change?->isOff()) {
                continue;
            }
            $from = Time::atTime($change->toDay ?? $day, $change->time ?? $this->time, $zone);
            $minutes = $change->minutes ?? $this->minutes;
            $place = $change->place ?? $this->place;
            $meetings[] = new Meeting($this->id, $this->site, $this->section, $from, $from + 60 * $minutes, $place);
        }
        usort($meetings, static fn(Meeting $a, Meeting $b): int => $a->from <=> $b->from);

        return $meetings;
    }

    /**
     * Those that are held: none on a day off, but for one that somebody moved there on purpose.
     *
     * @param list<Meeting>          $meetings
     * @param callable(string): bool $off      whether a day, as year-month-day, is off
     *
     * @return list<Meeting>
     */
    public function held(array $meetings, callable $off): array
    {
        if (!$this->rests) {
            return $meetings;
        }
        $zone = new \DateTimeZone($this->zone);
        $moved = [];
        foreach ($this->changes as $change) {
            $moved[(string) $change->toDay] = true;
        }

        return array_values(
            array_filter($meetings, static function (Meeting $meeting) use ($zone, $moved, $off): bool {
                $day = (new \DateTimeImmutable('@'.$meeting->from))->setTimezone($zone)->format('Y-m-d');

                return isset($moved[$day]) || !$off($day);
            }),
        );
    }
}
