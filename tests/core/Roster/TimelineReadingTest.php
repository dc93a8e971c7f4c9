<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Roster;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;
use MintDoor\Tests\Core\World;
use PHPUnit\Framework\TestCase;

/** What is read off a timeline, held against looking at every instant. */
final class TimelineReadingTest extends TestCase
{
    use TestTrait;

    private const END = 45;

    public function testAtFindsTheSegmentThatContainsTheInstant(): void
    {
        $this->forEachTimeline(static function (Timeline $timeline): void {
            for ($instant = -2; $instant < self::END; ++$instant) {
                $containing = array_values(
                    array_filter(
                        $timeline->segments,
                        static fn(Segment $segment): bool => $segment->window->contains($instant),
                    ),
                );
                self::assertSame($containing[0] ?? null, $timeline->at($instant));
                self::assertLessThanOrEqual(1, \count($containing));
            }
        });
    }

    public function testNextChangeIsTheFirstInstantAtWhichItIsDifferent(): void
    {
        $this->forEachTimeline(static function (Timeline $timeline): void {
            for ($instant = 0; $instant < self::END; ++$instant) {
                $next = $instant + 1;
                while ($next < self::END + 1 && self::same($timeline->at($instant), $timeline->at($next))) {
                    ++$next;
                }
                self::assertSame($next > self::END ? null : $next, $timeline->nextChange($instant), "after $instant");
            }
        });
    }

    public function testHoldsUntilTheConditionFails(): void
    {
        $current = static fn(?Segment $segment): bool => State::Current === $segment?->state;
        $this->forEachTimeline(static function (Timeline $timeline) use ($current): void {
            for ($instant = 0; $instant < self::END; ++$instant) {
                $until = $instant;
                while ($until < self::END && $current($timeline->at($until))) {
                    ++$until;
                }
                self::assertSame($until, min(self::END, $timeline->holdsUntil($instant, $current)));
            }
        });
    }

    public function testWhatIsLeftFromAnInstantOnIsTheSameFromThereAndNothingBefore(): void
    {
        $this->forEachTimeline(static function (Timeline $timeline): void {
            $left = $timeline->from(20);
            for ($instant = 0; $instant < self::END; ++$instant) {
                self::assertTrue(self::same($instant < 20 ? null : $timeline->at($instant), $left->at($instant)));
            }
            self::assertTrue($left->equals($timeline->from(20)));
        });
    }

    public function testOfDatesThatWereSetAtOneInstantTheLastHold(): void
    {
        $dates = static fn(string $id, int $until): Override => new Override(
            $id,
            OverrideKind::Dates,
            new Window(0),
            dates: new Window(Time::BEGINNING, $until),
        );
        $timeline = (new Enrollment([self::grant()], [$dates('one', 10), $dates('other', 20)]))->timeline();
        self::assertSame(State::Current, $timeline->at(15)?->state);
        self::assertSame(State::Ended, $timeline->at(20)?->state);
    }

    public function testARoleByHandIsNobodysWhoHasNoWayIn(): void
    {
        $timeline = (new Enrollment([], [
            new Override('role', OverrideKind::Role, new Window(0), 'co-tutor'),
            new Override('blocked', OverrideKind::Blocked, new Window(0)),
        ]))->timeline();
        self::assertSame([State::Blocked, []], [$timeline->at(5)?->state, $timeline->at(5)?->roles]);
    }

    public function testWhoBeginsLaterHasAWayInThatIsAccepted(): void
    {
        $timeline = (new Enrollment([self::grant(new Window(10))]))->timeline();
        self::assertSame([State::Upcoming, true], [$timeline->at(5)?->state, $timeline->at(5)?->holdsSeat]);
    }

    private static function grant(Window $window = new Window(0)): Grant
    {
        return new Grant('p', 'd', DoorKind::Staff, 'learner', 0, $window, 0);
    }

    public function testAnOpenEndIsNoChange(): void
    {
        $segments = World::randomEnrollment(new Dice(1))->timeline()->segments;
        foreach ($segments as $segment) {
            if (Time::FOREVER === $segment->window->until) {
                self::assertNull((new Timeline([$segment]))->nextChange($segment->window->from));
            }
        }
        self::assertNull((new Timeline([]))->nextChange(0));
    }

    /** @param callable(Timeline): void $claim */
    private function forEachTimeline(callable $claim): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed) use ($claim): void {
            $claim(World::randomEnrollment(new Dice($seed))->timeline());
        });
    }

    private static function same(?Segment $a, ?Segment $b): bool
    {
        return null === $a || null === $b ? $a === $b : $a->sameAs($b);
    }
}
