<?php

declare(strict_types=1);

namespace MintDoor\Core\Sites;

use MintDoor\Core\Platform\Term;
use MintDoor\Core\Time\Time;

/**
 * Dates moved from one term to another: the first day becomes the first day, the last day the last day; what lies
 * between keeps its day of the week and its week of the term, what lies before or after its distance in weeks.
 */
final readonly class TermShift
{
    public function __construct(private Term $from, private Term $to, private \DateTimeZone $zone) {}

    /**
     * @param string $day year-month-day
     *
     * @return string year-month-day; never before that of an earlier day, and in the term where the day was in it
     */
    public function day(string $day): string
    {
        [$first, $last] = [$this->to->startsOn, $this->to->endsOn];

        return match (true) {
            $day === $this->from->startsOn => $first,
            $day === $this->from->endsOn => $last,
            $day < $this->from->startsOn => min(self::weeks($day, $this->from->startsOn, $first), $first),
            $day > $this->from->endsOn => max(self::weeks($day, $this->from->endsOn, $last), $last),
            default => max($first, min(self::weeks($day, $this->from->startsOn, $first), $last)),
        };
    }

    /** The same day of the week in the same week, or the first such day of the term: of what meets by the week. */
    public function sameWeekday(string $day): string
    {
        $moved = self::weeks($day, $this->from->startsOn, $this->to->startsOn);
        $from = $day < $this->from->startsOn ? '' : $this->to->startsOn;

        return $moved < $from ? self::later($moved, 7) : $moved;
    }

    /** When something begins that began at an instant; open ends stay open. */
    public function begin(int $instant): int
    {
        if ($instant <= Time::BEGINNING || $instant >= Time::FOREVER) {
            return $instant;
        }
        $was = (new \DateTimeImmutable('@'.$instant))->setTimezone($this->zone);

        return Time::atTime($this->day($was->format('Y-m-d')), $was->format('H:i'), $this->zone)
            + (int) $was->format('s');
    }

    /** When something ends that ended at an instant; the day before midnight is the day it ended on. */
    public function end(int $instant): int
    {
        return $instant <= Time::BEGINNING || $instant >= Time::FOREVER ? $instant : $this->begin($instant - 1) + 1;
    }

    /** A day moved by whole weeks, as near as can be to the distance of two others. */
    private static function weeks(string $day, string $was, string $is): string
    {
        $utc = new \DateTimeZone('UTC');
        $between = (new \DateTimeImmutable($was, $utc))->diff(new \DateTimeImmutable($is, $utc));

        return self::later($day, 7 * (int) round((int) $between->format('%r%a') / 7));
    }

    private static function later(string $day, int $days): string
    {
        return (new \DateTimeImmutable($day, new \DateTimeZone('UTC')))->modify("$days days")->format('Y-m-d');
    }
}
