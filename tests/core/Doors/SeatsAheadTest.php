<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Doors;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Doors\SeatAhead;
use MintDoor\Core\Doors\SeatsAhead;
use MintDoor\Core\Doors\Waiter;
use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\Core\Time\Window;
use PHPUnit\Framework\TestCase;

/** To whom seats will be offered if nobody does anything. */
final class SeatsAheadTest extends TestCase
{
    use TestTrait;

    public function testASeatGoesFromOneToTheNextWhileNobodyAnswers(): void
    {
        $waiters = [new Waiter(1, 'ada', 'd'), new Waiter(2, 'bo', 'd', 1), new Waiter(3, 'cem', 'd')];
        $held = SeatsHeld::none(0)->with([new Window(0, 100)], 2);
        $ahead = SeatsAhead::of(2, $held, $waiters, static fn(Waiter $one, int $at): int => $at + 50, 0, 210);
        self::assertSame(
            [
                [100, false, 'bo'],
                [100, false, 'ada'],
                [150, true, 'bo'],
                [150, true, 'ada'],
                [150, false, 'cem'],
                [200, true, 'cem'],
            ],
            array_map(static fn(SeatAhead $one): array => [$one->at, $one->lapses, $one->waiter->personId], $ahead),
        );
    }

    public function testNoSeatIsOfferedTwiceAndNobodyIsAskedTwice(): void
    {
        $this
            ->forAll(
                Generators::choose(0, 6),
                Generators::seq(Generators::tuple(Generators::choose(0, 80), Generators::choose(1, 90))),
                Generators::choose(0, 8),
                Generators::choose(1, 40),
            )
            ->then(static function (int $seats, array $stays, int $many, int $long): void {
                $held = SeatsHeld::none(0);
                foreach ($stays as [$from, $for]) {
                    $held = $held->with([new Window($from, $from + $for)]);
                }
                $waiters = [];
                for ($n = 1; $n <= $many; ++$n) {
                    $waiters[] = new Waiter($n, "p$n", 'd');
                }
                $until = static fn(Waiter $one, int $at): int => $at + $long;
                $ahead = SeatsAhead::of($seats, $held, $waiters, $until, 0, 600);
                $open = $asked = [];
                foreach ($ahead as $one) {
                    $who = $one->waiter->personId;
                    if ($one->lapses) {
                        self::assertSame($one->at, $open[$who] ?? null);
                        unset($open[$who]);
                        continue;
                    }
                    self::assertArrayNotHasKey($who, $asked);
                    $asked[$who] = true;
                    $open[$who] = $one->at + $long;
                    self::assertLessThanOrEqual($seats, $held->most($one->at) + \count($open));
                }
                // The first come first.
                self::assertSame(
                    \array_slice(array_column($waiters, 'personId'), 0, \count($asked)),
                    array_keys($asked)
                );
                if ($seats > 0) {
                    self::assertCount($many, $asked, 'In the end there is a seat for each in turn.');
                }
            });
    }
}
