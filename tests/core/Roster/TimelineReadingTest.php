<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Roster;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\Time;
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
