<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Time;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Time\DayRun;
use PHPUnit\Framework\TestCase;

final class DayRunTest extends TestCase
{
    use TestTrait;

    private const DAY = 86_400;

    public function testDaysAreEvenlySpacedWithinTheTimeAndTheGivenOneIsAmongThem(): void
    {
        $zone = new \DateTimeZone('Europe/Copenhagen');
        $day = static fn(int $instant): string => (new \DateTimeImmutable('@'.$instant))
            ->setTimezone($zone)
            ->format('Y-m-d');
        $this
            ->forAll(
                Generators::choose(1_700_000_000, 1_800_000_000),
                Generators::choose(0, 900 * self::DAY),
                Generators::choose(0, 1_000),
                Generators::choose(1, 200),
            )
            ->then(static function (int $from, int $span, int $share, int $most) use ($zone, $day): void {
                $until = $from + $span;
                $among = $from + intdiv($span * $share, 1_000);
                $run = DayRun::between($from, $until, $among, $zone, $most);
                $last = $run->days[\count($run->days) - 1];
                self::assertContains($day($among), $run->days);
                self::assertLessThanOrEqual($most + 1, \count($run->days));
                self::assertGreaterThanOrEqual($day($from), $run->days[0]);
                self::assertLessThanOrEqual($day($until), $last);
                foreach (\array_slice($run->days, 1) as $place => $next) {
                    $apart = (new \DateTimeImmutable($run->days[$place]))->diff(new \DateTimeImmutable($next))->days;
                    self::assertSame($run->each, $apart);
                }
                if ($span < 2 * self::DAY && $most > 3) {
                    self::assertSame([$day($from), $day($until)], [$run->days[0], $last]);
                }
            });
    }

    public function testOneInstantIsOneDay(): void
    {
        $zone = new \DateTimeZone('UTC');
        self::assertSame(['2023-11-14'], DayRun::between(1_700_000_000, 0, 1_700_000_000, $zone, 5)->days);
    }
}
