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
use MintDoor\Core\Roster\Phase;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;
use MintDoor\Tests\Core\World;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class TimelineTest extends TestCase
{
    use TestTrait;

    public function testAgreesWithLookingAtEveryPassAtEveryInstant(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(function (int $seed): void {
            $enrollment = World::randomEnrollment(new Dice($seed));
            $timeline = $enrollment->timeline();
            for ($instant = -1; $instant <= 41; ++$instant) {
                $segment = $timeline->at($instant);
                self::assertSame($this->stateByHand($enrollment, $instant), $segment?->state, "state at $instant");
                if (
                    State::Current === $segment?->state
                    && null === $enrollment->override(OverrideKind::Role, $instant)
                ) {
                    self::assertSame($this->rolesInForce($enrollment, $instant), $segment->roles, "roles at $instant");
                }
                if (true === $segment?->state->here()) {
                    $sections = $this->sectionsByHand($enrollment, $instant, $segment->state);
                    self::assertSame($sections, $segment->sections, "sections at $instant");
                }
            }
        });
    }

    public function testSegmentsAreInOrderWithoutOverlapAndDiffer(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $segments = World::randomEnrollment(new Dice($seed), 6)->timeline()->segments;
            foreach ($segments as $index => $segment) {
                self::assertLessThan($segment->window->until, $segment->window->from);
                if ($index > 0) {
                    self::assertGreaterThanOrEqual($segments[$index - 1]->window->until, $segment->window->from);
                    self::assertFalse($segment->continues($segments[$index - 1]));
                }
            }
        });
    }

    public function testAPassThatWasUndoneFromTheStartChangesNothing(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $enrollment = World::randomEnrollment(new Dice($seed));
            $undone = new Grant(
                'x',
                'staff',
                DoorKind::Staff,
                'lead-tutor',
                3,
                new Window(0),
                0,
                overrides: [new Override('u', OverrideKind::Undone, new Window(3))],
            );
            $with = new Enrollment([...$enrollment->grants, $undone], $enrollment->overrides);
            self::assertTrue($enrollment->timeline()->equals($with->timeline()));
        });
    }

    public function testKeepingOutBeatsEverythingAndARoleByHandEveryPass(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $enrollment = World::randomEnrollment(new Dice($seed));
            $blocked = new Enrollment($enrollment->grants, [
                ...$enrollment->overrides,
                new Override('k', OverrideKind::Blocked, new Window(0, 20)),
            ]);
            $later = new Grant('later', 'feed', DoorKind::Feed, 'lead-tutor', 10, new Window(10), 10);
            $overrides = new Enrollment(
                [...$enrollment->grants, $later],
                [
                    ...array_filter(
                        $enrollment->overrides,
                        static fn(Override $override): bool => OverrideKind::Role !== $override->kind
                    ),
                    new Override('r', OverrideKind::Role, new Window(5, 30), 'learner'),
                ],
            );
            for ($instant = 0; $instant < 20; ++$instant) {
                self::assertSame(State::Blocked, $blocked->timeline()->at($instant)?->state);
            }
            for ($instant = 10; $instant < 30; ++$instant) {
                self::assertContains($overrides->timeline()->at($instant)?->roles, [['learner'], []]);
            }
        });
    }

    /** @return iterable<string, array{list<Grant>, list<Override>, int, ?State, ?int}> */
    public static function histories(): iterable
    {
        $grant /** @param array<Override> $overrides */ = static fn(
            array $overrides = [],
            int $from = 10,
            int $until = Time::FOREVER,
            int $accepted = 0,
        ): Grant => new Grant(
            'p',
            'd',
            DoorKind::Staff,
            'learner',
            10,
            new Window($from, $until),
            $accepted,
            overrides: array_values($overrides),
        );
        $out = static fn(int $from, int $until = Time::FOREVER): Override => new Override(
            'w',
            OverrideKind::Withdrawn,
            new Window($from, $until),
        );
        yield 'before it was given' => [[$grant()], [], 9, null, 10];
        yield 'the instant it was given' => [[$grant()], [], 10, State::Current, null];
        yield 'not begun' => [[$grant(from: 20)], [], 15, State::Upcoming, 20];
        yield 'the last instant' => [[$grant(until: 30)], [], 29, State::Current, 30];
        yield 'the end is not in it' => [[$grant(until: 30)], [], 30, State::Ended, null];
        yield 'unanswered' => [[$grant(accepted: 40)], [], 15, State::Waiting, 40];
        yield 'paused' => [[$grant()], [new Override(
            'x',
            OverrideKind::Paused,
            new Window(12, 18)
        )], 15, State::Paused, 18];
        yield 'removed' => [[$grant([$out(20)])], [], 25, State::Removed, null];
        yield 'brought back' => [[$grant([$out(20, 24)])], [], 24, State::Current, null];
        yield 'removed and back at once' => [[$grant([$out(20, 20)])], [], 20, State::Current, null];
        yield 'blocked without ever having been in' => [
            [],
            [new Override('k', OverrideKind::Blocked, new Window(5, 9))],
            6,
            State::Blocked,
            9,
        ];
    }

    /**
     * @param list<Grant> $grants
     * @param list<Override> $overrides
     */
    #[DataProvider('histories')]
    public function testState(array $grants, array $overrides, int $instant, ?State $state, ?int $next): void
    {
        $timeline = (new Enrollment($grants, $overrides))->timeline();
        self::assertSame($state, $timeline->at($instant)?->state);
        self::assertSame($next, $timeline->nextChange($instant));
    }

    public function testSinceIsWhenTheyFirstCameAlsoAfterComingBack(): void
    {
        $old = new Grant('a', 'd', DoorKind::Staff, 'learner', 10, new Window(10, 20), 0);
        $renewed = new Grant('b', 'd', DoorKind::Staff, 'learner', 30, new Window(30), 0, since: 10);
        self::assertSame(10, (new Enrollment([$old, $renewed]))->timeline()->at(35)?->since);
        self::assertSame(10, (new Enrollment([$renewed]))->timeline()->at(35)?->since);
    }

    public function testAThousandPassesAreNoWorkWorthSpeakingOf(): void
    {
        $grants = [];
        for ($n = 0; $n < 1_000; ++$n) {
            $grants[] = new Grant(
                "p$n",
                'd',
                DoorKind::Staff,
                0 === $n % 2 ? 'learner' : 'co-tutor',
                $n,
                new Window($n, $n + 50),
                0,
            );
        }
        $segments = (new Enrollment($grants))->timeline()->segments;
        self::assertLessThanOrEqual(2_000, \count($segments));
        self::assertSame(State::Ended, $segments[\count($segments) - 1]->state ?? null);
    }

    private function stateByHand(Enrollment $enrollment, int $instant): ?State
    {
        $in = static fn(Phase $phase): array => $enrollment->grantsIn($phase, $instant);
        if (null !== $enrollment->override(OverrideKind::Blocked, $instant)) {
            return State::Blocked;
        }
        if ([] !== $in(Phase::InForce)) {
            return null === $enrollment->override(OverrideKind::Paused, $instant) ? State::Current : State::Paused;
        }
        foreach ([[Phase::Upcoming, State::Upcoming], [Phase::Waiting, State::Waiting]] as [$phase, $state]) {
            if ([] !== $in($phase)) {
                return $state;
            }
        }
        // Whichever came last: the latest instant at which a grant that is over now was not yet over in this way.
        $went = static function (Grant $grant, Phase $phase) use ($enrollment, $instant): int {
            for ($before = $instant; $before > -2 && $enrollment->phaseOf($grant, $before) === $phase; --$before) {
            }

            return $before;
        };
        $last = static fn(Phase $phase): int => max([
            -10,
            ...array_map(static fn(Grant $grant): int => $went($grant, $phase), $in($phase)),
        ]);
        [$ended, $removed] = [$last(Phase::Ended), $last(Phase::Removed)];

        return match (true) {
            -10 === max($ended, $removed) => null,
            $removed >= $ended => State::Removed,
            default => State::Ended,
        };
    }

    /** @return list<string> */
    private function sectionsByHand(Enrollment $enrollment, int $instant, State $state): array
    {
        $phase = match ($state) {
            State::Upcoming => Phase::Upcoming,
            State::Waiting => Phase::Waiting,
            default => Phase::InForce,
        };
        $sections = $enrollment->override(OverrideKind::Sections, $instant)?->sections;
        if (null === $sections) {
            $given = array_map(
                static fn(Grant $grant): ?string => $grant->section,
                $enrollment->grantsIn($phase, $instant)
            );
            $sections = array_values(array_unique(array_filter($given)));
        }
        sort($sections);

        return $sections;
    }

    /** @return list<string> */
    private function rolesInForce(Enrollment $enrollment, int $instant): array
    {
        $roles = array_values(
            array_unique(
                array_map(
                    static fn(Grant $grant): string => $grant->role,
                    $enrollment->grantsIn(Phase::InForce, $instant),
                ),
            ),
        );
        sort($roles);

        return $roles;
    }
}
