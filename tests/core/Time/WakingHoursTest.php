<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Time;

use MintDoor\Core\Time\WakingHours;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class WakingHoursTest extends TestCase
{
    #[TestWith(['2026-11-25 12:00', 2, '2026-11-25 14:00'])]
    #[TestWith(['2026-11-25 21:00', 2, '2026-11-26 09:00'])]
    #[TestWith(['2026-11-25 23:30', 0, '2026-11-26 08:00'])]
    #[TestWith(['2026-11-25 03:00', 14, '2026-11-26 08:00'])]
    #[TestWith(['2026-11-25 08:00', 28, '2026-11-27 08:00'])]
    #[TestWith(['2026-10-24 21:00', 2, '2026-10-25 09:00'])]
    public function testNightHoursDoNotCount(string $from, int $hours, string $until): void
    {
        $zone = new \DateTimeZone('Europe/Amsterdam');
        $after = WakingHours::after((new \DateTimeImmutable($from, $zone))->getTimestamp(), 3_600 * $hours, $zone);
        self::assertSame($until, (new \DateTimeImmutable('@'.$after))->setTimezone($zone)->format('Y-m-d H:i'));
    }

    public function testDaysOffDoNotCount(): void
    {
        $zone = new \DateTimeZone('Europe/Amsterdam');
        $chance = new Randomizer(new Mt19937(6));
        for ($n = 0; $n < 200; ++$n) {
            $from = $chance->getInt(1_790_000_000, 1_830_000_000);
            $seconds = $chance->getInt(0, 400_000);
            $seed = $chance->getInt(0, 9_999);
            $off = static fn(string $day): bool => 0 === crc32($seed.$day) % 3;
            $after = WakingHours::after($from, $seconds, $zone, $off);
            $day = (new \DateTimeImmutable('@'.$after))->setTimezone($zone)->format('Y-m-d');
            self::assertFalse($off($day));
            self::assertFalse(WakingHours::night($after, $zone));
            self::assertGreaterThanOrEqual(WakingHours::after($from, $seconds, $zone), $after);
            $none = static fn(): bool => false;
            self::assertSame(
                WakingHours::after($from, $seconds, $zone),
                WakingHours::after($from, $seconds, $zone, $none),
            );
        }
        self::assertGreaterThan(0, WakingHours::after(0, 60, $zone, static fn(): bool => true));
    }

    /** Never at night, never before, later the longer it is, and the same in one step or two. */
    public function testItIsAClockOfItsOwn(): void
    {
        $chance = new Randomizer(new Mt19937(5));
        foreach (['Europe/Amsterdam', 'America/St_Johns', 'Asia/Kathmandu', 'UTC'] as $name) {
            $zone = new \DateTimeZone($name);
            for ($n = 0; $n < 200; ++$n) {
                $from = $chance->getInt(1_790_000_000, 1_830_000_000);
                [$a, $b] = [$chance->getInt(0, 400_000), $chance->getInt(0, 400_000)];
                $one = WakingHours::after($from, $a, $zone);
                self::assertFalse(WakingHours::night($one, $zone));
                self::assertGreaterThanOrEqual($from + $a, $one);
                self::assertGreaterThanOrEqual($one, WakingHours::after($from, $a + 1, $zone));
                self::assertSame(WakingHours::after($from, $a + $b, $zone), WakingHours::after($one, $b, $zone));
            }
        }
    }
}
