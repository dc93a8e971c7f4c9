<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Time;

use MintDoor\Core\Sites\LevelBand;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Sites\SiteState;
use MintDoor\Core\Time\NotADay;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Core\Time\WindowOutOfOrder;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class TimeTest extends TestCase
{
    #[TestWith(['2026-12-18', 'Europe/Amsterdam', '2026-12-18T23:00:00Z'])]
    #[TestWith(['2026-03-29', 'Europe/Amsterdam', '2026-03-29T22:00:00Z'])]
    #[TestWith(['2026-10-25', 'Europe/Amsterdam', '2026-10-25T23:00:00Z'])]
    #[TestWith(['2026-12-31', 'Pacific/Auckland', '2026-12-31T11:00:00Z'])]
    public function testUntilADayIncludesIt(string $day, string $zone, string $end): void
    {
        self::assertSame($end, gmdate('Y-m-d\TH:i:s\Z', Time::untilDayIncluded($day, new \DateTimeZone($zone))));
    }

    #[TestWith(['2026-02-30'])]
    #[TestWith(['tomorrow'])]
    #[TestWith(['0026-01-01'])]
    #[TestWith(['99999-01-01'])]
    public function testWhatIsNoDay(string $text): void
    {
        $this->expectException(NotADay::class);
        Time::startOfDay($text, new \DateTimeZone('UTC'));
    }

    public function testWindowsAreHalfOpen(): void
    {
        $window = new Window(5, 9);
        self::assertSame([false, true, true, false], array_map($window->contains(...), [4, 5, 8, 9]));
        self::assertFalse((new Window(5, 5))->contains(5));
        self::assertSame(7, $window->endedAt(7)->until);
        self::assertSame(5, $window->endedAt(1)->until);
        self::assertSame(9, $window->endedAt(12)->until);
    }

    public function testAWindowDoesNotEndBeforeItBegins(): void
    {
        $this->expectException(WindowOutOfOrder::class);
        new Window(5, 4);
    }

    public function testTheStateOfASiteIsAFunctionOfTime(): void
    {
        $site = new Site('s', 'd', opensAt: 10, closesAt: 20);
        self::assertSame(
            [SiteState::Draft, SiteState::Open, SiteState::Open, SiteState::Closed],
            array_map($site->stateAt(...), [9, 10, 19, 20]),
        );
        self::assertSame(SiteState::Draft, (new Site('s', 'd'))->stateAt(1_000_000));
    }

    public function testALevelBandIncludesBothEnds(): void
    {
        $band = new LevelBand(6, 8);
        self::assertSame([false, true, true, false], array_map($band->contains(...), [5, 6, 8, 9]));
        $this->expectException(\InvalidArgumentException::class);
        new LevelBand(3, 2);
    }

    public function testATimeOfADayIsOfTheWallClock(): void
    {
        $zone = new \DateTimeZone('Europe/Amsterdam');
        self::assertSame(gmmktime(8, 30, 0, 11, 24, 2026), Time::atTime('2026-11-24', '09:30', $zone));
        self::assertSame(gmmktime(7, 30, 0, 9, 7, 2026), Time::atTime('2026-09-07', '09:30', $zone));
        $this->expectException(NotADay::class);
        Time::atTime('2026-11-24', 'noon', $zone);
    }
}
