<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Changes;

use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\FirstRoles;
use MintDoor\Core\Roster\CountedAs;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Sites\LevelBand;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Tests\Core\World;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What each request comes to in each state somebody may be in. */
final class LineComputerTest extends TestCase
{
    private const NOW = 1_000;

    /**
     * @return iterable<string, array{string, Verb, ?string, string}> the state they are in, what is wanted, and what
     *     comes of it
     */
    public static function requests(): iterable
    {
        foreach (
            [
                'never' => [
                    'let-in' => 'ready',
                    'change-role' => 'not-here',
                    'remove' => 'not-here',
                    'bring-back' => 'never-here',
                    'pause' => 'not-here',
                    'resume' => 'not-here',
                    'change-dates' => 'not-here',
                    'block' => 'ready',
                    'unblock' => 'not-blocked',
                    'clear-role' => 'no-role-by-hand',
                ],
                'current' => [
                    'let-in' => 'already-here',
                    'change-role' => 'ready',
                    'remove' => 'ready',
                    'bring-back' => 'already-here',
                    'pause' => 'ready',
                    'resume' => 'not-paused',
                    'change-dates' => 'ready',
                    'block' => 'ready',
                    'unblock' => 'not-blocked',
                    'clear-role' => 'no-role-by-hand',
                ],
                'paused' => [
                    'let-in' => 'already-here',
                    'change-role' => 'ready',
                    'remove' => 'ready',
                    'bring-back' => 'already-here',
                    'pause' => 'already-so',
                    'resume' => 'ready',
                    'change-dates' => 'ready',
                    'block' => 'ready',
                    'clear-dates' => 'no-dates-by-hand',
                ],
                'upcoming' => [
                    'let-in' => 'already-here',
                    'change-role' => 'ready',
                    'remove' => 'ready',
                    'bring-back' => 'already-here',
                    'pause' => 'ready',
                    'resume' => 'not-paused',
                    'change-dates' => 'ready',
                    'block' => 'ready',
                ],
                'waiting' => [
                    'let-in' => 'already-here',
                    'change-role' => 'ready',
                    'remove' => 'ready',
                    'bring-back' => 'already-here',
                    'pause' => 'pause-outside',
                    'resume' => 'not-paused',
                    'change-dates' => 'ready',
                    'block' => 'ready',
                ],
                'ended' => [
                    'let-in' => 'ready',
                    'change-role' => 'not-here',
                    'remove' => 'not-here',
                    'bring-back' => 'ready',
                    'pause' => 'not-here',
                    'resume' => 'not-here',
                    'change-dates' => 'not-here',
                    'block' => 'ready',
                ],
                'removed' => [
                    'let-in' => 'ready',
                    'change-role' => 'not-here',
                    'remove' => 'not-here',
                    'bring-back' => 'ready',
                    'pause' => 'not-here',
                    'resume' => 'not-here',
                    'change-dates' => 'not-here',
                    'block' => 'ready',
                ],
                'blocked' => [
                    'let-in' => 'blocked',
                    'change-role' => 'blocked',
                    'remove' => 'not-here',
                    'bring-back' => 'blocked',
                    'pause' => 'blocked',
                    'resume' => 'blocked',
                    'change-dates' => 'blocked',
                    'block' => 'already-so',
                    'unblock' => 'ready',
                ],
            ] as $state => $outcomes
        ) {
            foreach ($outcomes as $verb => $outcome) {
                $role = ['let-in' => 'learner', 'change-role' => 'day-guest'][$verb] ?? null;
                yield "$state: $verb" => [$state, Verb::from($verb), $role, $outcome];
            }
        }
    }

    #[DataProvider('requests')]
    public function testEveryRequestInEveryState(string $state, Verb $verb, ?string $role, string $outcome): void
    {
        $world = self::world();
        $world->enrollments['learner0'] = self::in($state);
        // Dates that end with the year 1970 are a change for everybody here.
        $window = Verb::ChangeDates === $verb ? new Window(Time::BEGINNING, 30_000_000) : null;
        self::assertSame($outcome, self::outcome($world->compute('learner0', $verb, $role, $window)));
    }

    public function testAnotherRoleForSomebodyHereIsAChangeOfRoleNotALettingIn(): void
    {
        $world = self::world();
        $world->enrollments['learner0'] = self::in('current');
        $line = $world->compute('learner0', Verb::LetIn, 'day-guest');
        self::assertSame(['here-as-other', ['learner']], [$line->reasons[0]->code, $line->reasons[0]->values['roles']]);
    }

    public function testWithoutARoleSomebodyIsLetInAsSuggestedAndAboveLearnerOnlyWhenItIsSaid(): void
    {
        $world = self::world();
        self::assertSame(['learner'], $world->compute('learner0', Verb::LetIn)->after?->roles);
        $line = $world->compute('staff1', Verb::LetIn);
        self::assertSame(
            [Verdict::NeedsChoice, 'above-learner', []],
            [$line->verdict, $line->reasons[0]->code, $line->effects],
        );
        self::assertSame(Verdict::Ready, $world->compute('staff1', Verb::LetIn, sure: true)->verdict);
    }

    public function testWithoutARoleSomebodyWhoWasHereComesBackAsTheyWere(): void
    {
        $world = self::world();
        $world->enrollments['learner0'] = self::in('removed');
        $line = $world->compute('learner0', Verb::LetIn);
        self::assertSame([['learner'], 'as-before'], [$line->after?->roles, $line->cautions[0]->code]);
        $dated = $world->compute('learner0', Verb::LetIn, null, new Window(self::NOW, 30_000_000));
        self::assertSame(
            [['learner'], 30_000_000],
            [$dated->after?->roles, $dated->after?->window->until],
            'with dates of their own they are let in anew',
        );
    }

    public function testSomebodyWhoWasMoreThanALearnerHereIsAskedAboutBeforeTheyComeBack(): void
    {
        $world = self::world();
        $world->apply('staff1', Verb::LetIn, 'co-tutor');
        ++$world->now;
        $world->apply('staff1', Verb::Remove);
        ++$world->now;
        self::assertSame(
            [Verdict::NeedsChoice, 'co-tutor'],
            [
                $world->compute('staff1', Verb::LetIn)->verdict,
                $world->compute('staff1', Verb::LetIn)->reasons[0]->values['role'],
            ],
        );
        self::assertSame(
            [['co-tutor'], 'as-before'],
            [
                $world->compute('staff1', Verb::LetIn, sure: true)->after?->roles,
                $world->compute('staff1', Verb::LetIn, sure: true)->cautions[0]->code,
            ],
        );
    }

    public function testWhatIsRefusedCarriesNoCautions(): void
    {
        $line = self::world()->compute('staff0', Verb::Remove);
        self::assertSame(['last-lead', []], [self::outcome($line), $line->cautions]);
    }

    public function testTakingOutEndsEveryWayIn(): void
    {
        $world = self::world();
        $grant = static fn(string $id, Window $window, int $accepted = 0): Grant => new Grant(
            $id,
            $id,
            DoorKind::Staff,
            'learner',
            0,
            $window,
            $accepted,
        );
        $world->enrollments['learner0'] = new Enrollment([
            $grant('now', new Window(0)),
            $grant('later', new Window(2_000)),
            $grant('unanswered', new Window(0), Time::FOREVER),
            $grant('over', new Window(0, 10)),
        ]);
        $line = $world->apply('learner0', Verb::Remove);
        self::assertSame(
            ['now', 'later', 'unanswered'],
            array_map(static fn($effect): ?string => $effect->grantId, $line->effects),
        );
        self::assertFalse($line->after?->state->here());
        self::assertNull(
            $world->enrollment('learner0')->timeline()->nextChange(self::NOW),
            'nothing comes back by itself',
        );
    }

    public function testBringingBackUndoesOnlyTheLastTakingOut(): void
    {
        $world = self::world();
        $out = static fn(string $id, int $at): Override => new Override($id, OverrideKind::Withdrawn, new Window($at));
        $world->enrollments['learner0'] = new Enrollment([
            new Grant('first', 'key', DoorKind::Key, 'day-guest', 0, new Window(0), 0, overrides: [$out('a', 100)]),
            new Grant(
                'second',
                'staff',
                DoorKind::Staff,
                'learner',
                200,
                new Window(200),
                0,
                overrides: [$out('b', 500)]
            ),
        ]);
        self::assertSame(['learner'], $world->apply('learner0', Verb::BringBack)->after?->roles);
    }

    public function testALettingInWithoutDatesGoesToTheEndOfTheSite(): void
    {
        $line = self::world()->compute('learner0', Verb::LetIn, 'learner');
        self::assertSame([self::NOW, Time::FOREVER], [$line->after?->window->from, $line->after?->window->until]);
    }

    public function testAWindowThatIsOverLetsNobodyIn(): void
    {
        self::assertSame(
            'window-is-over',
            self::outcome(self::world()->compute('learner0', Verb::LetIn, 'learner', new Window(0, self::NOW))),
        );
    }

    public function testLettingInAgainEndsARoleGivenByHandBefore(): void
    {
        $world = self::world();
        $world->apply('learner0', Verb::LetIn, 'learner');
        $world->apply('learner0', Verb::ChangeRole, 'day-guest');
        $world->apply('learner0', Verb::Remove);
        ++$world->now;
        self::assertSame(['learner'], $world->apply('learner0', Verb::LetIn, 'learner')->after?->roles);
    }

    public function testChangingBackToWhatThePassGivesLiftsTheRoleByHandInsteadOfAddingOne(): void
    {
        $world = self::world();
        $world->apply('learner0', Verb::LetIn, 'learner');
        $world->apply('learner0', Verb::ChangeRole, 'day-guest');
        ++$world->now;
        $line = $world->apply('learner0', Verb::ChangeRole, 'learner');
        self::assertCount(1, $line->effects);
        self::assertNull($world->enrollment('learner0')->override(OverrideKind::Role, $world->now));
    }

    public function testAPauseHoldsOverWhatComesLaterAndGivesWayToAnother(): void
    {
        $world = self::world();
        $world->enrollments['learner0'] = self::in('current');
        $world->apply('learner0', Verb::Pause, window: new Window(self::NOW, 3_000));
        $enrollment = $world->enrollment('learner0');
        $world->enrollments['learner0'] = new Enrollment(
            [...$enrollment->grants, new Grant('feed', 'feed', DoorKind::Feed, 'learner', 1_500, new Window(1_500))],
            $enrollment->overrides,
        );
        self::assertSame(
            'paused',
            $world->enrollment('learner0')->timeline()->at(2_000)?->state->value,
            'a feed in the night does not end it',
        );
        $world->apply('learner0', Verb::Pause, window: new Window(self::NOW, 2_000));
        self::assertSame('current', $world->enrollment('learner0')->timeline()->at(2_500)?->state->value);
        $world->apply('learner0', Verb::Resume);
        self::assertSame('current', $world->enrollment('learner0')->timeline()->at(self::NOW)?->state->value);
    }

    public function testDatesByHandHoldOverAllWaysInAndThoseThatComeLater(): void
    {
        $world = self::world();
        $world->enrollments['learner0'] = new Enrollment([
            new Grant('a', 'staff', DoorKind::Staff, 'learner', 100, new Window(100, 1_200), 0),
        ]);
        $world->apply('learner0', Verb::ChangeDates, window: new Window(Time::BEGINNING, 2_000));
        $enrollment = $world->enrollment('learner0');
        $world->enrollments['learner0'] = new Enrollment(
            [...$enrollment->grants, new Grant('b', 'cohort', DoorKind::Cohort, 'learner', 1_100, new Window(1_100))],
            $enrollment->overrides,
        );
        $timeline = $world->enrollment('learner0')->timeline();
        self::assertSame(
            ['current', 'ended', 100],
            [
                $timeline->at(1_999)?->state->value,
                $timeline->at(2_000)?->state->value,
                $timeline->at(1_999)->since ?? null,
            ],
        );
        $world->apply('learner0', Verb::ClearDates);
        self::assertSame(
            'current',
            $world->enrollment('learner0')->timeline()->at(2_500)?->state->value,
            'what the cohort gave holds again',
        );
    }

    public function testWhoseDatesByHandAreOverComesBackAndCanBeLetInAgain(): void
    {
        foreach ([Verb::BringBack, Verb::LetIn] as $verb) {
            $world = self::world();
            $world->enrollments['learner0'] = self::in('current');
            $world->apply('learner0', Verb::ChangeDates, window: new Window(Time::BEGINNING, 1_500));
            $world->now = 1_600;
            self::assertSame('ended', $world->enrollment('learner0')->timeline()->at(1_600)?->state->value);
            $line = $world->apply('learner0', $verb, Verb::LetIn === $verb ? 'learner' : null);
            self::assertSame(
                ['ready', 'current', null],
                [$line->verdict->value, $line->after?->state->value, $line->timeline->nextChange(1_600)],
            );
        }
    }

    public function testWhoWasTakenOutUnderDatesByHandThatAreOverByNowComesBackToo(): void
    {
        $world = self::world();
        $world->enrollments['learner0'] = new Enrollment([
            new Grant('p', 'staff', DoorKind::Staff, 'learner', 100, new Window(100, 1_400), 0),
        ]);
        $world->apply('learner0', Verb::ChangeDates, window: new Window(Time::BEGINNING, 1_500));
        $world->apply('learner0', Verb::Remove);
        $world->now = 1_600;
        $line = $world->apply('learner0', Verb::BringBack);
        self::assertSame(
            ['current', 'dates-were-over', 100],
            [$line->after?->state->value, $line->cautions[0]->code ?? null, $line->after->since ?? null],
        );
    }

    public function testChangingOnlyTheEndLeavesAnUpcomingBeginning(): void
    {
        $world = self::world();
        $world->enrollments['learner0'] = self::in('upcoming');
        $line = $world->apply('learner0', Verb::ChangeDates, window: new Window(Time::BEGINNING, 5_000));
        self::assertSame(['upcoming', 2_000], [$line->after?->state->value, $line->after->window->until ?? null]);
        self::assertSame(5_000, $world->enrollment('learner0')->timeline()->nextChange(2_000));
        self::assertSame(
            'window-is-over',
            self::outcome($world->compute('learner0', Verb::ChangeDates, window: new Window(Time::BEGINNING, 1_500))),
        );
    }

    public function testUnderDatesByHandEachWayInKeepsItsOwnBeginningAndWhatIsOverStaysOver(): void
    {
        $grant = static fn(string $id, string $role, Window $window): Grant => new Grant(
            $id,
            $id,
            DoorKind::Staff,
            $role,
            100,
            $window,
            0,
        );
        $with = static function (Grant $other) use ($grant): World {
            $world = self::world();
            $world->enrollments['learner0'] = new Enrollment([$grant('now', 'learner', new Window(100)), $other]);

            return $world;
        };
        $over = $with($grant('other', 'day-guest', new Window(100, 500)));
        self::assertSame(
            ['learner'],
            $over->apply('learner0', Verb::ChangeDates, window: new Window(Time::BEGINNING, 5_000))->after?->roles,
        );
        $toCome = $with($grant('other', 'day-guest', new Window(3_000)));
        $timeline = $toCome->apply('learner0', Verb::ChangeDates, window: new Window(Time::BEGINNING, 5_000))->timeline;
        self::assertSame(
            [['learner'], ['day-guest', 'learner'], 'ended'],
            [$timeline->at(2_999)?->roles, $timeline->at(3_000)?->roles, $timeline->at(5_000)?->state->value],
        );
        $line = $with($grant('other', 'day-guest', new Window(3_000)))->compute(
            'learner0',
            Verb::ChangeDates,
            window: new Window(500, 5_000),
        );
        self::assertSame(
            ['dates-bring-role', 'day-guest'],
            [self::outcome($line), $line->reasons[0]->values['role'] ?? null],
            'a beginning set by hand is that of every way in',
        );
    }

    public function testDatesThatTakeThePlaceOfOthersHoldOverWhatTheseHadKeptUp(): void
    {
        $world = self::world();
        $world->enrollments['learner0'] = new Enrollment([
            new Grant('p', 'staff', DoorKind::Staff, 'learner', 100, new Window(100, 1_400), 0),
        ]);
        $first = $world->apply('learner0', Verb::ChangeDates, window: new Window(Time::BEGINNING, 1_500));
        $world->now = 1_450;
        $second = $world->apply('learner0', Verb::ChangeDates, window: new Window(Time::BEGINNING, 2_000));
        self::assertSame(['current', 2_000], [$second->after?->state->value, $second->after->window->until ?? null]);
        $world->undo('learner0', $second->effects);
        self::assertSame(
            [1_500, 'current'],
            [
                $world->enrollment('learner0')->timeline()->at(1_450)->window->until ?? null,
                $world->enrollment('learner0')->timeline()->at(1_450)?->state->value,
            ],
        );
        $lift = $world->apply('learner0', Verb::ClearDates);
        self::assertSame('ended', $lift->after?->state->value);
        $world->now = 1_460;
        $world->undo('learner0', $lift->effects);
        self::assertSame('current', $world->enrollment('learner0')->timeline()->at(1_460)?->state->value);
        self::assertNotSame([], $first->effects);
    }

    public function testWhoCountsAsWhatInARoster(): void
    {
        $roles = FirstRoles::book([], []);
        $as = static fn(string $role, State $state = State::Current, bool $listed = true): ?string => CountedAs::of(
            $state,
            $roles->find($role),
            $listed,
        )?->value;
        self::assertSame(
            ['learners', 'staff', 'others', 'others'],
            [$as('learner'), $as('lead-tutor', State::Paused), $as('day-guest', State::Waiting), $as('gone')],
        );
        self::assertSame(
            ['unlisted', null, null],
            [$as('sit-in-observer', listed: false), $as('learner', State::Ended), $as('learner', State::Blocked)],
        );
        self::assertSame(['current', 'paused', 'upcoming', 'waiting'], State::valuesHere());
    }

    public function testDatesBeyondTheTermAreSaid(): void
    {
        $world = self::world();
        $world->site = new Site('s', 'seniors', opensAt: 0, termEnds: 5_000);
        $world->enrollments['learner0'] = self::in('current');
        $codes = static fn(Window $window): array => array_column(
            $world->compute('learner0', Verb::ChangeDates, window: $window)->cautions,
            'code',
        );
        self::assertSame(
            [['beyond-term'], [], []],
            [$codes(new Window(0, 6_000)), $codes(new Window(0, 5_000)), $codes(new Window(0))],
        );
    }

    public function testKeepingOutTakesOutRefusesAndLiftingDoesNotBringBackByItself(): void
    {
        $world = self::world();
        $world->enrollments['learner0'] = self::in('current');
        $line = $world->apply('learner0', Verb::Block, window: new Window(0, 3_000));
        self::assertSame(
            ['blocked', 3_000, 'work-stays'],
            [$line->after?->state->value, $line->after->window->until ?? null, $line->cautions[0]->code ?? null],
        );
        self::assertSame(0, $world->seatsHeld());
        $world->apply('learner0', Verb::Unblock);
        self::assertSame('removed', $world->enrollment('learner0')->timeline()->at(self::NOW)?->state->value);
        self::assertSame(['learner'], $world->apply('learner0', Verb::BringBack)->after?->roles);
    }

    public function testCautionsAreSaidAndDoNotStop(): void
    {
        $world = self::world(new LevelBand(1, 3));
        $world->people['closed'] = new Person('closed', PersonKind::Learner, 'seniors', 2, self::NOW - 1);
        $codes = static fn(ComputedChange $line): array => [$line->verdict->value, ...array_column(
            $line->cautions,
            'code'
        )];
        self::assertSame(['ready', 'other-levels'], $codes($world->compute('learner0', Verb::LetIn, 'learner')));
        self::assertSame(['ready', 'account-closed'], $codes($world->compute('closed', Verb::LetIn, 'learner')));
        self::assertSame(['ready', 'cautioned'], $codes($world->compute('learner0', Verb::LetIn, 'day-guest')));
    }

    private static function outcome(ComputedChange $line): string
    {
        return $line->reasons[0]->code ?? $line->verdict->value;
    }

    private static function world(?LevelBand $levels = null): World
    {
        $world = World::withPeople(new Site('s', 'seniors', $levels, opensAt: 0));
        $world->now = self::NOW;

        return $world;
    }

    private static function in(string $state): Enrollment
    {
        $grant = static fn(Window $window = new Window(
            100
        ), int $accepted = 0, Override ...$overrides): Grant => new Grant(
            'p',
            'staff',
            DoorKind::Staff,
            'learner',
            100,
            $window,
            $accepted,
            overrides: array_values($overrides),
        );

        return match ($state) {
            'current' => new Enrollment([$grant()]),
            'paused' => new Enrollment([$grant()], [new Override('m', OverrideKind::Paused, new Window(500))]),
            'upcoming' => new Enrollment([$grant(new Window(2_000))]),
            'waiting' => new Enrollment([$grant(new Window(100), Time::FOREVER)]),
            'ended' => new Enrollment([$grant(new Window(100, 500))]),
            'removed' => new Enrollment([
                $grant(new Window(100), 0, new Override('w', OverrideKind::Withdrawn, new Window(500))),
            ]),
            'blocked' => new Enrollment([$grant()], [new Override('k', OverrideKind::Blocked, new Window(500))]),
            default => new Enrollment(),
        };
    }

    public function testWhatADoorKeepsToItselfOnlyAdministratorsTakeOut(): void
    {
        $world = World::withPeople(new Site('s', 'seniors', opensAt: 0));
        $world->enrollments['learner0'] = new Enrollment([
            new Grant('p', 'feed', DoorKind::Feed, 'learner', 0, new Window(0), 0, reserved: true),
        ]);
        foreach ([Verb::Remove, Verb::ChangeRole, Verb::ChangeDates, Verb::Block] as $verb) {
            $role = Verb::ChangeRole === $verb ? 'day-guest' : null;
            $line = $world->compute('learner0', $verb, $role, actor: 'staff0');
            self::assertSame(
                [Verdict::Refused, 'reserved', 'feed'],
                [$line->verdict, $line->reasons[0]->code ?? '', $line->reasons[0]->values['door'] ?? ''],
            );
        }
        self::assertSame(
            Verdict::Ready,
            $world->compute('learner0', Verb::Pause, actor: 'staff0')->verdict,
            'a pause leaves what the door brought as it is',
        );
        self::assertSame(Verdict::Ready, $world->apply('learner0', Verb::Remove)->verdict);
        self::assertSame(
            Verdict::Ready,
            $world->compute('learner0', Verb::LetIn, 'learner', actor: 'staff0')->verdict,
            'who was removed binds nobody',
        );
    }
}
