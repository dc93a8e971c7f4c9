<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Roster;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;
use MintDoor\Tests\Core\World;
use PHPUnit\Framework\TestCase;

final class SeatsHeldTest extends TestCase
{
    use TestTrait;

    public function testTheMostOfAnyStretchIsTheMostOfItsInstants(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            [$held, $windows] = self::random($dice);
            $from = $dice->between(0, 40);
            $until = $dice->between($from + 1, 45);
            $counts = array_map(static fn(int $at): int => self::heldAt($windows, $at), range($from, $until - 1));
            self::assertSame(max($counts), $held->most($from, $until));
            self::assertSame(
                max(array_map(static fn(int $at): int => self::heldAt($windows, $at), range(0, 60))),
                $held->most(),
            );
        });
    }

    public function testItIsFreeFromTheFirstInstantOnAfterWhichItStaysSo(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            [$held, $windows, $seats, $from, $until] = self::stretch(new Dice($seed));
            $free = $held->freeFrom($seats, $from, $until);
            $first = null;
            for ($at = $until - 1; $at >= $from && self::heldAt($windows, $at) < $seats; --$at) {
                $first = $at;
            }
            self::assertSame($first, $free);
        });
    }

    public function testItIsFullFromTheFirstInstantAtWhichNoMoreFits(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            [$held, $windows, $seats, $from, $until] = self::stretch(new Dice($seed));
            $full = array_filter(
                range($from, $until - 1),
                static fn(int $at): bool => self::heldAt($windows, $at) >= $seats,
            );
            self::assertSame([] === $full ? null : min($full), $held->fullFrom($seats, $from, $until));
        });
    }

    public function testPeopleWhoComeAndGoLeaveTheSameAsWhoNeverCame(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            [$held] = self::random($dice);
            [, $more] = self::random($dice);
            $back = $held->with($more)->with($more, -1);
            foreach (range(0, 45) as $at) {
                self::assertSame($held->most($at, $at + 1), $back->most($at, $at + 1));
            }
        });
    }

    /** A seat is held as long as an accepted way in lasts, from when it begins. */
    public function testSomebodyHoldsASeatWhereTheyAreHereWithARoleThatTakesOne(): void
    {
        $roles = World::withPeople(new Site('s', 'seniors', null, null, 10, opensAt: 0))->roles;
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed) use ($roles): void {
            $timeline = World::randomEnrollment(new Dice($seed))->timeline();
            $held = SeatsHeld::none(5)->with(SeatsHeld::windows($timeline, $roles, 5));
            foreach (range(5, 45) as $at) {
                $segment = $timeline->at($at);
                $holds = true === $segment?->takesSeat($roles) && State::Upcoming !== $segment->state;
                self::assertSame((int) $holds, $held->most($at, $at + 1));
            }
        });
    }

    public function testKeptSeatsAreHeldThroughout(): void
    {
        $held = SeatsHeld::none(0, 2)->with([new Window(10, 20)], 3);
        self::assertSame([2, 5, 2, 5], [$held->most(0, 10), $held->most(19, 20), $held->most(20), $held->most()]);
        self::assertSame([20, 0, null], [$held->freeFrom(5, 0), $held->freeFrom(6, 0), $held->freeFrom(2, 0)]);
        self::assertSame(15, $held->freeFrom(6, 15, 18));
    }

    /** @return array{SeatsHeld, list<Window>, int, int, int} and how many seats there are, and a stretch to look at */
    private static function stretch(Dice $dice): array
    {
        [$held, $windows] = self::random($dice);
        $seats = $dice->between(1, 4);
        $from = $dice->between(0, 30);

        return [$held, $windows, $seats, $from, $dice->between($from + 1, 60)];
    }

    /** @return array{SeatsHeld, list<Window>} */
    private static function random(Dice $dice): array
    {
        $held = SeatsHeld::none(0);
        $windows = [];
        for ($n = $dice->between(0, 6); $n > 0; --$n) {
            $from = $dice->chance(20) ? Time::BEGINNING : $dice->between(0, 40);
            $window = new Window($from, $dice->chance(20) ? Time::FOREVER : max($from, 0) + $dice->between(0, 20));
            $windows[] = $window;
            $held = $held->with([$window]);
        }

        return [$held, $windows];
    }

    /** @param list<Window> $windows */
    private static function heldAt(array $windows, int $at): int
    {
        return \count(array_filter($windows, static fn(Window $window): bool => $window->contains($at)));
    }
}
