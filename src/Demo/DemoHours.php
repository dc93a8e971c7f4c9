<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use MintDoor\Core\Weeks\Hours;
use MintDoor\Core\Weeks\MeetingChange;
use MintDoor\Core\Weeks\Place;
use MintDoor\Core\Weeks\WeeklyRule;

/** When the shown sites of the demo meet: here and there at the same time, and in two buildings. */
final readonly class DemoHours
{
    private const ZONE = 'Europe/Amsterdam';

    /** Weeks before and after this one. */
    private const BEFORE = 11;

    private const AFTER = 4;

    /** @param string $monday of this week, year-month-day */
    public function __construct(private PlatformBuilder $platform, private string $monday) {}

    /**
     * @param array<string, string> $sites    ids, by what they are called in the demo
     * @param list<string>          $sections of *Harmony & Ear Training II*: the morning, the evening
     */
    public function furnish(array $sites, array $sections): void
    {
        $quay = new Place('Room 12', 'Quay House');
        $mill = new Place('Room 3', 'Mill Hall');
        $this->put($sites['het'], $sections[0], [1, 3], '09:30', 90, $quay, [
            new MeetingChange($this->day(3, 1)),
        ]);
        $this->put($sites['het'], $sections[1], [2, 4], '18:00', 90, $mill, [
            new MeetingChange($this->day(4, 1), $this->day(5, 1), '17:00', 90, new Place('Great Hall', 'Quay House')),
        ]);
        $this->put($sites['jazz'], null, [3], '10:30', 90, new Place('Studio B', 'Mill Hall'));
        $this->put($sites['baroque'], null, [1], '09:00', 100, new Place('Great Hall', 'Quay House'));
        $this->put($sites['choral'], null, [1], '11:10', 90, new Place('Choir room', 'Mill Hall'));
        $this->put($sites['strings'], null, [6], '10:00', 150, new Place('Great Hall', 'Quay House'));
        $this->put($sites['nerves'], null, [4], '19:00', 90, $mill, every: 2);
    }

    /** @param list<string> $sections ids: of the first at the time of a section of another site */
    public function seminar(string $site, array $sections): void
    {
        $this->put($site, $sections[0], [1], '10:00', 60, new Place('Room 5', 'Mill Hall'));
        $this->put($site, $sections[1], [5], '10:00', 60, new Place('Room 5', 'Mill Hall'));
    }

    /**
     * @param list<int>           $days
     * @param list<MeetingChange> $changes
     */
    private function put(
        string $site,
        ?string $section,
        array $days,
        string $time,
        int $minutes,
        Place $place,
        array $changes = [],
        int $every = 1,
    ): void {
        $rule = new WeeklyRule($days, $every, $this->day(7, self::AFTER));
        $this->platform->hours(new Hours(
            '',
            $site,
            $section,
            $this->day($days[0], -self::BEFORE),
            $time,
            $minutes,
            self::ZONE,
            $rule->text(new \DateTimeZone(self::ZONE)),
            $place,
            changes: $changes,
        ));
    }

    /** A day of a week so many weeks from this one; 1 for Monday. */
    private function day(int $of, int $weeks): string
    {
        $days = 7 * $weeks + $of - 1;

        return (new \DateTimeImmutable($this->monday))->modify("$days days")->format('Y-m-d');
    }
}
