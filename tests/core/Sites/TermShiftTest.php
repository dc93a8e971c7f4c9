<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Sites;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Platform\Term;
use MintDoor\Core\Sites\TermShift;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Weeks\Hours;
use PHPUnit\Framework\TestCase;

/** Dates that go along with the term. */
final class TermShiftTest extends TestCase
{
    use TestTrait;

    public function testDaysKeepTheirPlaceInTheTerm(): void
    {
        $shift = self::between(['2026-09-07', '2026-12-18'], ['2027-01-11', '2027-04-23']);
        $days = array_map(
            $shift->day(...),
            ['2026-09-07', '2026-12-18', '2026-09-21', '2026-10-02', '2026-08-31', '2027-01-01']
        );
        self::assertSame(
            ['2027-01-11', '2027-04-23', '2027-01-25', '2027-02-05', '2027-01-04', '2027-05-07'],
            $days,
            'first, last, third Monday, fourth Friday, a week before, two weeks after',
        );
    }

    public function testTermsOfAnotherLengthKeepWhatWasInThemIn(): void
    {
        $shift = self::between(['2026-09-07', '2026-12-18'], ['2027-01-13', '2027-02-26']);
        self::assertSame('2027-02-26', $shift->day('2026-12-11'), 'the new one is over by then');
        self::assertSame('2027-01-13', $shift->day('2026-09-08'), 'a Tuesday before it begins');
    }

    public function testWhatMeetsByTheWeekKeepsItsDayOfTheWeek(): void
    {
        $shift = self::between(['2026-09-07', '2026-12-18'], ['2027-01-13', '2027-04-23']);
        self::assertSame('2027-01-18', $shift->sameWeekday('2026-09-07'), 'the first Monday of the new one');
        self::assertSame('2027-01-15', $shift->sameWeekday('2026-09-11'));
        $hours = new Hours('h', 's', null, '2026-09-07', '17:00', 60, 'UTC', 'FREQ=WEEKLY;UNTIL=20261218T225959Z');
        $moved = $hours->moved($shift);
        self::assertSame(
            ['2027-01-18', 'FREQ=WEEKLY;UNTIL=20270423T215959Z'],
            [$moved->first, $moved->rule],
        );
    }

    public function testInstantsKeepTheClockOnTheWall(): void
    {
        $shift = self::between(['2026-03-02', '2026-06-26'], ['2026-09-07', '2026-12-18']);
        $at = static fn(string $text): int => (new \DateTimeImmutable(
            $text,
            new \DateTimeZone('Europe/Stockholm')
        ))->getTimestamp();
        // Each of them on the other side of a change of clocks.
        self::assertSame($at('2026-09-07 18:30:05'), $shift->begin($at('2026-03-02 18:30:05')));
        self::assertSame($at('2026-12-19 00:00'), $shift->end($at('2026-06-27 00:00')), 'the last day is in both');
        self::assertSame($at('2026-12-21 00:00'), $shift->begin($at('2026-06-29 00:00')));
        foreach ([Time::BEGINNING, Time::FOREVER] as $open) {
            self::assertSame([$open, $open], [$shift->begin($open), $shift->end($open)]);
        }
    }

    public function testNoDayPassesAnother(): void
    {
        $day = static fn(int $n): string => (new \DateTimeImmutable('2026-01-01 UTC'))->modify("$n days")->format(
            'Y-m-d'
        );
        $this
            ->forAll(
                Generators::choose(0, 300),
                Generators::choose(1, 200),
                Generators::choose(0, 600),
                Generators::choose(1, 200),
                Generators::choose(-100, 700),
                Generators::choose(0, 60),
            )
            ->then(static function (int $a, int $long, int $b, int $other, int $one, int $more) use ($day): void {
                $from = [$day($a), $day($a + $long)];
                $to = [$day($b), $day($b + $other)];
                $shift = self::between($from, $to);
                [$early, $late] = [$day($one), $day($one + $more)];
                self::assertLessThanOrEqual($shift->day($late), $shift->day($early));
                self::assertSame($to, [$shift->day($from[0]), $shift->day($from[1])]);
                $in = static fn(string $day, array $term): bool => $day >= $term[0] && $day <= $term[1];
                self::assertTrue(!$in($early, $from) || $in($shift->day($early), $to));
                $same = self::between($from, $from);
                self::assertSame($early, $same->day($early));
            });
    }

    /**
     * @param array{string, string} $from
     * @param array{string, string} $to
     */
    private static function between(array $from, array $to): TermShift
    {
        return new TermShift(
            new Term('a', 'A', ...$from),
            new Term('b', 'B', ...$to),
            new \DateTimeZone('Europe/Stockholm'),
        );
    }
}
