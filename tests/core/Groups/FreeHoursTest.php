<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Groups;

use MintDoor\Core\Groups\FreeHours;
use MintDoor\Core\Weeks\Meeting;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Who has a free hour together with whom, by the clock on the wall. */
final class FreeHoursTest extends TestCase
{
    private const ZONE = 'Europe/Amsterdam';

    /** All hours but one are taken of one of them: they share one exactly where the other is free then. */
    #[TestWith(['2026-10-06 09:00', '2026-10-06 10:00', false])]
    #[TestWith(['2026-10-06 08:00', '2026-10-06 09:00', true])]
    #[TestWith(['2026-10-06 09:59', '2026-10-06 10:30', false])]
    #[TestWith(['2026-10-06 10:00', '2026-10-06 12:00', true])]
    #[TestWith(['2026-10-13 09:30', '2026-10-13 09:40', false], 'the week after')]
    #[TestWith(['2026-10-27 09:00', '2026-10-27 10:00', false], 'after the clocks went back')]
    #[TestWith(['2026-10-11 09:00', '2026-10-11 10:00', true], 'on a Sunday')]
    public function testTheOneHourThatIsLeft(string $from, string $until, bool $share): void
    {
        $busy = [];
        for ($day = 5; $day <= 9; ++$day) {
            foreach (6 === $day ? [['08:00', '09:00'], ['10:00', '20:00']] : [['08:00', '20:00']] as [$a, $b]) {
                $busy[] = self::meeting("2026-10-0$day $a", "2026-10-0$day $b");
            }
        }
        $hours = new FreeHours(
            ['busy' => $busy, 'other' => [self::meeting($from, $until)]],
            new \DateTimeZone(self::ZONE),
        );
        self::assertSame($share, $hours->share('busy', 'other'));
        self::assertSame($share, $hours->share('other', 'busy'));
        self::assertTrue($hours->share('busy', 'of whom nothing is known'));
        self::assertSame($share ? [] : [['busy', 'other']], $hours->none(['busy', 'other', 'nobody']));
    }

    public function testIsWhatLookingAtEachHourSays(): void
    {
        $zone = new \DateTimeZone(self::ZONE);
        $none = 0;
        for ($seed = 1; $seed <= 30; ++$seed) {
            $dice = new Dice($seed);
            $meetings = ['a' => [], 'b' => [], 'c' => []];
            foreach (array_keys($meetings) as $person) {
                for ($n = $dice->between(20, 50); $n > 0; --$n) {
                    $day = $dice->between(5, 18);
                    $from = $dice->between(7, 19);
                    $until = min(22, $from + $dice->between(2, 12));
                    $meetings[$person][] = self::meeting(
                        \sprintf('2026-10-%02d %02d:%02d', $day, $from, 30 * $dice->below(2)),
                        \sprintf('2026-10-%02d %02d:59', $day, $until),
                    );
                }
            }
            $hours = new FreeHours($meetings, $zone);
            foreach ([['a', 'b'], ['b', 'c'], ['a', 'c']] as [$one, $other]) {
                $shared = self::looked([...$meetings[$one], ...$meetings[$other]], $zone);
                self::assertSame($shared, $hours->share($one, $other), "seed $seed");
                $none += $shared ? 0 : 1;
            }
        }
        self::assertGreaterThan(3, $none);
    }

    /** @param list<Meeting> $meetings */
    private static function looked(array $meetings, \DateTimeZone $zone): bool
    {
        for ($day = 0; $day < 5; ++$day) {
            for ($hour = 8; $hour < 20; ++$hour) {
                $free = true;
                foreach ([5, 12] as $monday) {
                    $at = (new \DateTimeImmutable(\sprintf('2026-10-%02d %02d:00', $monday + $day, $hour), $zone))
                        ->getTimestamp();
                    foreach ($meetings as $meeting) {
                        $free = $free && ($meeting->until <= $at || $meeting->from >= $at + 3_600);
                    }
                }
                if ($free) {
                    return true;
                }
            }
        }

        return false;
    }

    private static function meeting(string $from, string $until): Meeting
    {
        $at = static fn(string $said): int => (new \DateTimeImmutable($said, new \DateTimeZone(self::ZONE)))
            ->getTimestamp();

        return new Meeting('hours', 'site', null, $at($from), $at($until));
    }
}
