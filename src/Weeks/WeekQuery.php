<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Core\Time\NotADay;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Core\Weeks\Clash;
use MintDoor\Core\Weeks\DayOfWeek;
use MintDoor\Core\Weeks\Meeting;
use MintDoor\Core\Weeks\PlacedMeeting;
use MintDoor\Core\Weeks\Walk;
use MintDoor\Core\Weeks\Week;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;

/** Meetings as a week, with the names of those sites that whoever asks sees. */
final readonly class WeekQuery
{
    public function __construct(
        private Occasions $occasions,
        private PlatformSettings $settings,
        private PlatformClock $clock,
    ) {}

    /** @throws Problem of type `Invalid` where there is no such zone */
    public function zone(?string $asked): \DateTimeZone
    {
        try {
            return new \DateTimeZone($asked ?? 'UTC');
        } catch (\Throwable) {
            throw Problem::field('/zone', 'no-zone', 'weeks.no-zone');
        }
    }

    /**
     * From which instant on meetings are wanted for a week.
     *
     * @throws Problem of type `Invalid` where there is no such day
     */
    public function from(WeekAsked $asked, \DateTimeZone $zone): int
    {
        return $this->atDay(fn(): int => Time::startOfDay($this->monday($asked, $zone), $zone));
    }

    /**
     * @param list<Meeting>           $meetings from `from()` on
     * @param string                  $division code of the one whose days off are said
     * @param ?array<string, mixed>   $seen     sites whose names may be said, by id; null for all
     * @param bool                    $walks    whether they are one person's
     */
    public function of(
        WeekAsked $asked,
        \DateTimeZone $zone,
        array $meetings,
        string $division,
        ?array $seen = null,
        bool $walks = true,
    ): WeekAnswer {
        $week = $this->atDay(fn(): Week => Week::of($this->monday($asked, $zone), $zone, $meetings, $walks));
        $shown = fn(Meeting $meeting): Occasion => $this->occasions->of($meeting, $seen);
        $settings = $this->settings->read();
        $after = array_filter(
            $meetings,
            static fn(Meeting $meeting): bool => $meeting->from >= $week->window->until,
        );
        $next = min([Time::FOREVER, ...array_map(static fn(Meeting $meeting): int => $meeting->from, $after)]);

        return new WeekAnswer(
            $zone->getName(),
            array_map(
                static fn(DayOfWeek $day): WeekDay => new WeekDay(
                    $day->day,
                    $settings->offOn($day->day, $division),
                    array_map(
                        static fn(PlacedMeeting $placed): MeetingShown => new MeetingShown(
                            $shown($placed->meeting),
                            $placed->lane,
                            $placed->lanes,
                            $placed->clash,
                        ),
                        $day->meetings,
                    ),
                    array_map(
                        static fn(Window $free): array => [
                            'from' => (string) Instant::toJson($free->from),
                            'until' => (string) Instant::toJson($free->until),
                        ],
                        $day->free,
                    ),
                    array_map(
                        static fn(Walk $walk): WalkShown => new WalkShown(
                            $shown($walk->before),
                            $shown($walk->after),
                            intdiv($walk->seconds, 60),
                        ),
                        $day->walks,
                    ),
                ),
                $week->days,
            ),
            array_map(
                static fn(Clash $clash): ClashShown => new ClashShown(
                    $shown($clash->one),
                    $shown($clash->other),
                    $clash->times,
                ),
                $week->clashes,
            ),
            Time::FOREVER === $next
                ? null
                : (new \DateTimeImmutable('@'.$next))->setTimezone($zone)->format('Y-m-d'),
        );
    }

    private function monday(WeekAsked $asked, \DateTimeZone $zone): string
    {
        $day = null === $asked->day
            ? (new \DateTimeImmutable('@'.$this->clock->instant()))->setTimezone($zone)
            : new \DateTimeImmutable($asked->day, $zone);

        return $day->modify('monday this week')->format('Y-m-d');
    }

    /**
     * @template T
     *
     * @param callable(): T $read
     *
     * @return T
     */
    private function atDay(callable $read): mixed
    {
        try {
            return $read();
        } catch (NotADay) {
            throw Problem::field('/day', 'day', 'shared.choose-day-between-years');
        }
    }
}
