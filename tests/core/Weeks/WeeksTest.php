<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Weeks;

use Eris\Generator\SequenceGenerator;
use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\Window;
use MintDoor\Core\Weeks\Attending;
use MintDoor\Core\Weeks\Clash;
use MintDoor\Core\Weeks\Clashes;
use MintDoor\Core\Weeks\DayOfWeek;
use MintDoor\Core\Weeks\Free;
use MintDoor\Core\Weeks\Hours;
use MintDoor\Core\Weeks\Meeting;
use MintDoor\Core\Weeks\MeetingChange;
use MintDoor\Core\Weeks\Place;
use MintDoor\Core\Weeks\PlacedMeeting;
use MintDoor\Core\Weeks\Week;
use MintDoor\Core\Weeks\WeeklyRule;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class WeeksTest extends TestCase
{
    use TestTrait;

    private const ZONE = 'Europe/Lisbon';

    public function testWhatClashesIsWhatHasAnInstantInCommon(): void
    {
        $this
            ->forAll(self::some(), self::some())
            ->then(static function (array $come, array $are): void {
                [$come, $are] = [self::meetings($come, 'a'), self::meetings($are, 'b')];
                $times = [];
                foreach ($come as $one) {
                    foreach ($are as $other) {
                        if (self::minutes($one) !== array_diff(self::minutes($one), self::minutes($other))) {
                            $pair = $one->hours.' '.$other->hours;
                            $times[$pair] = ($times[$pair] ?? 0) + 1;
                        }
                    }
                }
                $found = [];
                foreach (Clashes::between($come, $are) as $clash) {
                    $found[$clash->one->hours.' '.$clash->other->hours] = $clash->times;
                    self::assertTrue($clash->one->overlaps($clash->other));
                }
                ksort($times);
                ksort($found);
                self::assertSame($times, $found);
            });
    }

    public function testNothingClashesWithItselfAndNoneIsMissedAmongAll(): void
    {
        $this
            ->forAll(self::some())
            ->then(static function (array $drawn): void {
                $meetings = self::meetings($drawn, 'a');
                $pairs = 0;
                foreach ($meetings as $n => $one) {
                    foreach (\array_slice($meetings, $n + 1) as $other) {
                        $pairs += (int) (!$one->is($other) && $one->overlaps($other));
                    }
                }
                $clashes = Clashes::among($meetings);
                self::assertSame(
                    $pairs,
                    array_sum(array_map(static fn(Clash $clash): int => $clash->times, $clashes)),
                );
                self::assertSame([], Clashes::between($meetings, []));
            });
    }

    public function testFreeAndTakenAreTheWholeAndHaveNothingInCommon(): void
    {
        $this
            ->forAll(self::some())
            ->then(static function (array $drawn): void {
                $meetings = self::meetings($drawn, 'a');
                $whole = new Window(10, 50);
                $free = Free::within($whole, $meetings);
                for ($at = 10; $at < 50; ++$at) {
                    $taken = [] !== array_filter(
                        $meetings,
                        static fn(Meeting $each): bool => $each->from <= $at && $at < $each->until,
                    );
                    $isFree = [] !== array_filter($free, static fn(Window $window): bool => $window->contains($at));
                    self::assertSame(!$taken, $isFree, "at $at");
                }
            });
    }

    public function testInAWeekNoTwoOfALaneAreAtTheSameTimeAndThereAreAsFewLanesAsCanBe(): void
    {
        $monday = (new \DateTimeImmutable('2026-10-12', new \DateTimeZone(self::ZONE)))->getTimestamp();
        $this
            ->forAll(Generators::seq(Generators::tuple(Generators::choose(0, 167), Generators::choose(1, 5))))
            ->then(static function (array $drawn) use ($monday): void {
                $meetings = [];
                foreach ($drawn as $n => [$hour, $long]) {
                    $from = $monday + 3_600 * (int) $hour;
                    $meetings[] = new Meeting("h$n", 's', null, $from, $from + 3_600 * (int) $long);
                }
                $week = Week::of('2026-10-12', new \DateTimeZone(self::ZONE), $meetings);
                $all = array_merge(...array_map(static fn(DayOfWeek $day): array => $day->meetings, $week->days));
                self::assertCount(\count($meetings), $all);
                foreach ($week->days as $day) {
                    foreach ($day->meetings as $n => $one) {
                        self::assertLessThan($one->lanes, $one->lane);
                        $others = array_filter(
                            $day->meetings,
                            static fn(PlacedMeeting $each): bool => $each !== $one
                                && $each->meeting->overlaps($one->meeting),
                        );
                        self::assertSame([] !== $others, $one->clash);
                        foreach (\array_slice($day->meetings, $n + 1) as $other) {
                            $together = $one->meeting->overlaps($other->meeting);
                            self::assertFalse($together && $one->lane === $other->lane);
                            self::assertTrue(!$together || $one->lanes === $other->lanes);
                        }
                        self::assertLessThanOrEqual(self::mostAtOnce($day->meetings), $one->lanes);
                    }
                }
            });
    }

    public function testHoursStayOnTheClockWhereItChanges(): void
    {
        $hours = new Hours('h', 's', 'x', '2026-10-19', '09:30', 90, self::ZONE);
        $meetings = $hours->meetings(['2026-10-19', '2026-10-26']);
        self::assertSame(['08:30', '09:30'], self::utc($meetings));
        self::assertSame(90 * 60, $meetings[1]->until - $meetings[1]->from);
    }

    public function testSingleDaysAreOffOrMovedAndHolidaysGoUnlessSomethingWasMovedThere(): void
    {
        $hours = new Hours(
            'h',
            's',
            'x',
            '2026-11-02',
            '09:30',
            60,
            'UTC',
            place: new Place('12', 'Quay House'),
            changes: [
                new MeetingChange('2026-11-09'),
                new MeetingChange('2026-11-16', '2026-11-18', '14:00', 45, new Place('3')),
            ],
        );
        $meetings = $hours->meetings(['2026-11-02', '2026-11-09', '2026-11-16', '2026-11-23']);
        self::assertSame(['09:30', '14:00', '09:30'], self::utc($meetings));
        self::assertSame('3', $meetings[1]->place->room);
        $off = static fn(string $day): bool => \in_array($day, ['2026-11-02', '2026-11-18'], true);
        self::assertSame(['14:00', '09:30'], self::utc($hours->held($meetings, $off)));
        $always = new Hours('h', 's', 'x', '2026-11-02', '09:30', 60, 'UTC', rests: false);
        self::assertSame($meetings, $always->held($meetings, $off));
    }

    public function testWhoseMeetingIsSaidByWhereTheyAreThen(): void
    {
        $segment = static fn(int $from, int $until, State $state, string $section): Segment => new Segment(
            new Window($from, $until),
            $state,
            ['learner'],
            true,
            0,
            [$section],
        );
        $before = new Timeline([$segment(0, 100, State::Current, 'x')]);
        $after = new Timeline([
            $segment(0, 20, State::Current, 'x'),
            $segment(20, 40, State::Paused, 'x'),
            $segment(40, 100, State::Current, 'y'),
        ]);
        $meetings = [];
        foreach ([[10, 'x'], [30, 'x'], [50, 'x'], [50, 'y'], [60, null], [110, 'y']] as [$at, $section]) {
            $meetings[] = new Meeting("h$section", 's', $section, $at, $at + 5);
        }
        $names = static fn(array $all): array => array_map(
            static fn(Meeting $meeting): string => $meeting->from.$meeting->section,
            $all,
        );
        self::assertSame(['10x', '30x', '50x', '60'], $names(Attending::of($before, $meetings)));
        self::assertSame(['10x', '50y', '60'], $names(Attending::of($after, $meetings)));
    }

    public function testAWayIsTooLongBetweenBuildingsOnly(): void
    {
        $at = static fn(string $hours, int $minute, string $building): Meeting => new Meeting(
            $hours,
            's',
            null,
            1_760_260_000 + 60 * $minute,
            1_760_260_000 + 60 * ($minute + 50),
            new Place('1', $building),
        );
        $monday = '2025-10-06';
        $meetings = [
            $at('a', 0, 'Quay House'),
            $at('b', 60, 'Mill Hall'),
            $at('c', 115, 'mill hall'),
            $at('d', 190, 'Quay House'),
        ];
        $week = Week::of($monday, new \DateTimeZone('UTC'), $meetings);
        $walks = array_merge(...array_map(static fn(DayOfWeek $day): array => $day->walks, $week->days));
        self::assertCount(1, $walks);
        self::assertSame(['a', 'b', 600], [$walks[0]->before->hours, $walks[0]->after->hours, $walks[0]->seconds]);
    }

    public function testAWeeklyRuleIsReadAsItIsWritten(): void
    {
        $this
            ->forAll(Generators::subset([1, 2, 3, 4, 5, 6, 7]), Generators::choose(1, 12), Generators::choose(0, 400))
            ->then(static function (array $days, int $every, int $last): void {
                sort($days);
                $days = [] === $days ? [3] : array_values(array_map(intval(...), $days));
                $until = $last > 0 ? (new \DateTimeImmutable("2026-09-07 +$last days"))->format('Y-m-d') : null;
                $zone = new \DateTimeZone('Pacific/Auckland');
                $rule = new WeeklyRule($days, $every, $until);
                self::assertEquals($rule, WeeklyRule::read($rule->text($zone), '2026-09-07', $zone));
            });
    }

    #[DataProvider('others')]
    public function testARuleThatSaysMoreIsNone(string $rule): void
    {
        self::assertNull(WeeklyRule::read($rule, '2026-09-07', new \DateTimeZone('UTC')));
    }

    /** @return iterable<array{string}> */
    public static function others(): iterable
    {
        yield ['FREQ=MONTHLY;BYDAY=2MO'];
        yield ['FREQ=WEEKLY;COUNT=12'];
        yield ['FREQ=WEEKLY;BYDAY=1MO'];
        yield ['FREQ=WEEKLY;UNTIL=soon'];
        yield ['FREQ=WEEKLY;INTERVAL=2;WKST=SU'];
        yield ['FREQ=WEEKLY;INTERVAL=0'];
        yield [''];
    }

    public function testARuleWithoutDaysHasThatOfItsBeginning(): void
    {
        $zone = new \DateTimeZone('UTC');
        self::assertSame([4], WeeklyRule::read('FREQ=WEEKLY', '2026-09-10', $zone)?->days);
    }

    /** @param list<PlacedMeeting> $placed */
    private static function mostAtOnce(array $placed): int
    {
        $most = 0;
        foreach ($placed as $one) {
            $at = $one->meeting->from;
            $most = max($most, \count(array_filter(
                $placed,
                static fn(PlacedMeeting $each): bool => $each->meeting->from <= $at && $at < $each->meeting->until,
            )));
        }

        return $most;
    }

    /**
     * @param list<Meeting> $meetings
     *
     * @return list<string>
     */
    private static function utc(array $meetings): array
    {
        return array_map(static fn(Meeting $meeting): string => gmdate('H:i', $meeting->from), $meetings);
    }

    /** @return SequenceGenerator<mixed> of beginnings, lengths, and of which hours */
    private static function some(): SequenceGenerator
    {
        return Generators::seq(
            Generators::tuple(Generators::choose(0, 60), Generators::choose(1, 15), Generators::choose(0, 3)),
        );
    }

    /**
     * @param array<mixed> $drawn
     *
     * @return list<Meeting> no two of the same hours at the same time
     */
    private static function meetings(array $drawn, string $name): array
    {
        $meetings = [];
        foreach ($drawn as $each) {
            [$from, $long, $of] = array_map(intval(...), (array) $each);
            $meetings["$of $from"] = new Meeting($name.$of, 's', null, $from, $from + $long);
        }

        return array_values($meetings);
    }

    /** @return list<int> */
    private static function minutes(Meeting $meeting): array
    {
        return range($meeting->from, $meeting->until - 1);
    }
}
