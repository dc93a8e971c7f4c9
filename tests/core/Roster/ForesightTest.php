<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Roster;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Roles\FirstRoles;
use MintDoor\Core\Roster\Foresight;
use MintDoor\Core\Roster\Happens;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\Window;
use PHPUnit\Framework\TestCase;

/** What is foreseen is what is so when the time has come. */
final class ForesightTest extends TestCase
{
    use TestTrait;

    public function testEachChangeHasItsName(): void
    {
        $segment = static fn(int $from, int $until, State $state, string $role = 'learner'): Segment => new Segment(
            new Window($from, $until),
            $state,
            [$role],
            $state->here(),
            0,
        );
        $timeline = new Timeline([
            $segment(0, 10, State::Upcoming),
            $segment(10, 20, State::Current),
            $segment(20, 30, State::Paused),
            $segment(30, 40, State::Current),
            $segment(40, 50, State::Current, 'class-assistant'),
            $segment(50, 60, State::Ended),
            $segment(60, 70, State::Blocked),
            $segment(70, 80, State::Ended),
        ]);
        $foreseen = self::sight()->of($timeline, 5, 75);
        self::assertSame(
            [
                [10, Happens::Begins, true, false],
                [20, Happens::Pauses, false, false],
                [30, Happens::Resumes, false, false],
                [40, Happens::Role, false, true],
                [50, Happens::Ends, false, false],
                [70, Happens::Unblocked, false, false],
            ],
            array_map(static fn($one): array => [$one->at, $one->what, $one->takes, $one->frees], $foreseen),
        );
    }

    public function testTheClockRunsAndEverythingIsAsItWasForeseen(): void
    {
        $this
            ->forAll(
                Generators::seq(
                    Generators::tuple(
                        Generators::choose(0, 9),
                        Generators::elements(...State::cases()),
                        Generators::elements('learner', 'class-assistant'),
                        Generators::elements(['evening'], []),
                    ),
                ),
                Generators::choose(0, 20),
                Generators::choose(1, 60),
            )
            ->then(static function (array $parts, int $now, int $ahead): void {
                $segments = [];
                $at = 0;
                foreach ($parts as [$long, $state, $role, $sections]) {
                    if ($long > 0) {
                        $window = new Window($at, $at + $long);
                        $kept = array_values(array_filter($sections, is_string(...)));
                        $segments[] = new Segment($window, $state, [$role], true, 0, $kept);
                    }
                    $at += max(1, $long);
                }
                $timeline = new Timeline($segments);
                $foreseen = self::sight()->of($timeline, $now, $now + $ahead);
                $is = static fn(?Segment $segment): ?array => match ($segment?->state) {
                    State::Current, State::Paused => [$segment->state, $segment->roles, $segment->sections],
                    default => null,
                };
                $expected = $is($timeline->at($now));
                for ($clock = $now; $clock <= $now + $ahead; ++$clock) {
                    foreach ($foreseen as $one) {
                        $expected = $one->at === $clock ? $is($one->after) : $expected;
                    }
                    self::assertSame($expected, $is($timeline->at($clock)));
                }
            });
    }

    private static function sight(): Foresight
    {
        return new Foresight(FirstRoles::book(['juniors'], ['seniors']));
    }
}
