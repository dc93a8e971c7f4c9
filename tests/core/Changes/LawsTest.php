<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Changes;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Changes\ChangeHistory;
use MintDoor\Core\Changes\Done;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;
use MintDoor\Tests\Core\World;
use PHPUnit\Framework\TestCase;

/** What holds after any change, however it came about. */
final class LawsTest extends TestCase
{
    use TestTrait;

    public function testNoHistoryOfChangesBreaksALaw(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(function (int $seed): void {
            $dice = new Dice($seed);
            $world = self::world(seats: 3, leads: 2);
            for ($step = 0; $step < 40; ++$step) {
                $world->now += $dice->below(4);
                $this->randomChange($world, $dice);
                self::assertLessThanOrEqual(3, $world->seatsHeld(), 'seats');
                self::assertGreaterThanOrEqual(1, $world->leadsNow(), 'an open site has a lead');
                self::assertLessThanOrEqual(2, $world->leadsNow(), 'limit of leads');
            }
        });
    }

    public function testUndoingGivesBackWhatWas(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(function (int $seed): void {
            $dice = new Dice($seed);
            $world = self::world(seats: 4, leads: 3);
            for ($step = 0; $step < 12; ++$step) {
                $this->randomChange($world, $dice);
                ++$world->now;
            }
            [$person, $verb, $role] = $this->randomRequest($dice);
            $before = $world->enrollment($person)->timeline();
            $line = $world->apply($person, $verb, $role);
            $world->now += $dice->below(2);
            $undone = $world->undo($person, $line->effects);
            if (Verdict::Ready === $line->verdict) {
                self::assertContains($undone->verdict, [Verdict::Ready, Verdict::NothingToDo]);
            }
            self::assertTrue(
                $world->enrollment($person)->timeline()->from($world->now)->equals($before->from($world->now)),
                "$verb->value of $person",
            );
        });
    }

    /**
     * Whatever may be undone, once undone, gives what was before it, however often things were undone and done again.
     */
    public function testUndoingStepByStepGivesWhatWasBeforeEachStep(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(function (int $seed): void {
            $dice = new Dice($seed);
            $world = self::world();
            $person = $dice->one(['staff1', 'learner0']);
            $effects = $lines = [];
            $stood = [$world->enrollment($person)->timeline()];
            for ($step = 0; $step < 16; ++$step) {
                $history = new ChangeHistory($lines);
                $undoable = array_values(array_filter(array_column($lines, 'id'), $history->mayUndo(...)));
                $target = [] !== $undoable && $dice->chance(60) ? $dice->one($undoable) : null;
                [, $verb, $role] = $this->randomRequest($dice, $person);
                $line =
                    null === $target ? $world->apply($person, $verb, $role) : $world->undo($person, $effects[$target]);
                if (null !== $target) {
                    self::assertTrue(
                        $world
                            ->enrollment($person)
                            ->timeline()
                            ->from($world->now)
                            ->equals($stood[(int) $target - 1]->from($world->now)),
                        "line $target",
                    );
                }
                if (Verdict::Ready === $line->verdict) {
                    $version = \count($lines) + 1;
                    $lines[] = new Done((string) $version, $version, $target);
                    $effects[(string) $version] = $line->effects;
                    $stood[] = $world->enrollment($person)->timeline();
                }
                $world->now += $dice->below(2);
            }
        });
    }

    public function testComputingTwiceSaysTheSameAndApplyingTwiceDoesNothingTheSecondTime(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(function (int $seed): void {
            $dice = new Dice($seed);
            $world = self::world(seats: 4, leads: 3);
            for ($step = 0; $step < 8; ++$step) {
                $this->randomChange($world, $dice);
            }
            [$person, $verb, $role] = $this->randomRequest($dice);
            $once = $world->compute($person, $verb, $role);
            $twice = $world->compute($person, $verb, $role);
            self::assertSame($once->verdict, $twice->verdict);
            self::assertEquals($once->reasons, $twice->reasons);
            self::assertTrue($once->timeline->equals($twice->timeline));
            $world->apply($person, $verb, $role);
            $after = $world->enrollment($person)->timeline();
            self::assertNotSame(Verdict::Ready, $world->apply($person, $verb, $role)->verdict);
            self::assertTrue($after->equals($world->enrollment($person)->timeline()));
        });
    }

    public function testTheLastLeadStays(): void
    {
        $world = self::world();
        self::assertSame('last-lead', $world->apply('staff0', Verb::Remove)->reasons[0]->code);
        self::assertSame('last-lead', $world->apply('staff0', Verb::ChangeRole, 'co-tutor')->reasons[0]->code);
        $world->apply('staff1', Verb::LetIn, 'lead-tutor');
        self::assertSame(Verdict::Ready, $world->apply('staff0', Verb::Remove)->verdict);
    }

    public function testADraftMayBeWithoutALead(): void
    {
        $world = World::withPeople(new Site('s', 'seniors'));
        self::assertSame(Verdict::Ready, $world->apply('staff0', Verb::Remove)->verdict);
    }

    public function testWhereTimeWouldLeaveASiteWithoutALeadItIsSaidBefore(): void
    {
        $world = self::world();
        $world->apply('staff1', Verb::LetIn, 'lead-tutor', new Window($world->now, $world->now + 50));
        $asked = $world->apply('staff0', Verb::Remove);
        self::assertSame(
            [Verdict::NeedsChoice, 'lead-ends', $world->now + 50],
            [$asked->verdict, $asked->reasons[0]->code, $asked->reasons[0]->values['at']],
        );
        $line = $world->apply('staff0', Verb::Remove, leadEnds: true);
        self::assertSame(Verdict::Ready, $line->verdict);
        $caution =
            array_values(array_filter($line->cautions, static fn($note): bool => 'lead-ends' === $note->code))[0]
            ?? null;
        self::assertSame($world->now + 50, $caution?->values['at']);
    }

    public function testAPauseOrAnEndPlannedForTheLastLeadIsSaidBefore(): void
    {
        $ends = [[Verb::Pause, new Window(1_050)], [Verb::ChangeDates, new Window(Time::BEGINNING, 1_050)]];
        foreach ($ends as [$verb, $window]) {
            $world = self::world();
            $world->now = 1_000;
            $line = $world->compute('staff0', $verb, window: $window);
            self::assertSame(['needs-choice', 1_050], [$line->verdict->value, $line->reasons[0]->values['at']]);
        }
    }

    public function testTheLastSeatGoesToOne(): void
    {
        $world = self::world(seats: 1);
        self::assertSame(Verdict::Ready, $world->apply('learner0', Verb::LetIn, 'learner')->verdict);
        $refused = $world->apply('learner1', Verb::LetIn, 'learner');
        self::assertSame([Verdict::WaitsForSeat, 'no-seat'], [$refused->verdict, $refused->reasons[0]->code]);
        self::assertSame(
            Verdict::Ready,
            $world->apply('staff1', Verb::LetIn, 'co-tutor')->verdict,
            'staff need no seat',
        );
    }

    public function testAnUpcomingLearnerHoldsASeatAndSomeoneTakenOutDoesNot(): void
    {
        $world = self::world(seats: 1);
        $world->apply('learner0', Verb::LetIn, 'learner', new Window($world->now + 100));
        self::assertSame(1, $world->seatsHeld());
        $world->apply('learner0', Verb::Remove);
        self::assertSame(0, $world->seatsHeld());
    }

    public function testBringingBackGivesBackRoleAndSection(): void
    {
        $world = self::world();
        $world->enrollments['learner0'] = new Enrollment([
            new Grant('p', 'staff', DoorKind::Staff, 'learner', 10, new Window(10, 5_000), 10, 'morning'),
        ]);
        $world->apply('learner0', Verb::ChangeRole, 'day-guest');
        $world->apply('learner0', Verb::Remove);
        ++$world->now;
        $line = $world->apply('learner0', Verb::BringBack);
        self::assertSame(['day-guest'], $line->after?->roles);
        self::assertSame('morning', $world->enrollment('learner0')->grants[0]->section);
        self::assertSame(
            5_000,
            $line->timeline->holdsUntil(
                $world->now,
                static fn($segment): bool => ['day-guest'] === $segment->roles && 'current' === $segment->state->value,
            ),
        );
    }

    public function testWhoRanOutComesBackWithTheRoleOfBeforeAndIsToldSo(): void
    {
        $world = self::world();
        $world->enrollments['learner0'] = new Enrollment([
            new Grant('p', 'staff', DoorKind::Staff, 'learner', 10, new Window(10, 500), 10, 'morning'),
        ]);
        $line = $world->apply('learner0', Verb::BringBack);
        self::assertSame([Verdict::Ready, 'dates-were-over'], [$line->verdict, $line->cautions[0]->code]);
        self::assertSame([10, 'morning'], [$line->after?->since, $world->enrollment('learner0')->grants[1]->section]);
    }

    public function testTakingOutSaysWhatWouldBringThemBack(): void
    {
        $world = self::world();
        $world->enrollments['learner0'] = new Enrollment([
            new Grant('p', 'strings', DoorKind::Cohort, 'learner', 10, new Window(10), 10),
        ]);
        self::assertSame(
            ['work-stays', 'comes-back-through'],
            array_map(static fn($note): string => $note->code, $world->compute('learner0', Verb::Remove)->cautions),
        );
    }

    public function testNobodyGoesBeyondWhatTheyMayGive(): void
    {
        $world = self::world();
        $world->apply('staff1', Verb::LetIn, 'co-tutor');
        $world->apply('staff2', Verb::LetIn, 'class-assistant');
        $code = static fn($line): string => $line->reasons[0]->code ?? $line->verdict->value;
        self::assertSame(
            'not-yours-to-give',
            $code($world->apply('staff3', Verb::LetIn, 'lead-tutor', actor: 'staff1')),
        );
        self::assertSame(
            'not-to-yourself',
            $code($world->apply('staff1', Verb::ChangeRole, 'lead-tutor', actor: 'staff1')),
        );
        self::assertSame('not-yours-to-take', $code($world->apply('staff0', Verb::Remove, actor: 'staff1')));
        self::assertSame('not-yours-to-do', $code($world->apply('learner0', Verb::LetIn, 'learner', actor: 'staff2')));
        self::assertSame('not-yours-to-take', $code($world->apply('staff0', Verb::Block, actor: 'staff1')));
        self::assertSame('not-yours-to-do', $code($world->apply('staff2', Verb::Block, actor: 'staff2')));
        self::assertSame('ready', $code($world->apply('staff2', Verb::Remove, actor: 'staff2')), 'anybody may leave');
    }

    public function testAnUndoIsHeldAgainstTheLawsToo(): void
    {
        $world = self::world(seats: 1);
        $world->apply('learner0', Verb::LetIn, 'learner');
        $out = $world->apply('learner0', Verb::Remove);
        $world->apply('learner1', Verb::LetIn, 'learner');
        self::assertSame(Verdict::WaitsForSeat, $world->undo('learner0', $out->effects)->verdict);
    }

    public function testWhoIsAboveIsNotHurtFromBelowNowOrLater(): void
    {
        $soon = new Window(Time::BEGINNING, 1_050);
        $requests = [[Verb::Pause, null], [Verb::ChangeDates, $soon], [Verb::Remove, null], [Verb::Block, null]];
        foreach ($requests as [$verb, $window]) {
            $world = self::world();
            $world->apply('staff1', Verb::LetIn, 'co-tutor');
            // Somebody who is an assistant today and leads from tomorrow on is above a co-tutor, too.
            $world->apply('staff2', Verb::LetIn, 'class-assistant');
            $grant = new Grant('later', 'staff', DoorKind::Staff, 'lead-tutor', 0, new Window(1_100), 0);
            $world->enrollments['staff2'] = new Enrollment([...$world->enrollment('staff2')->grants, $grant]);
            foreach (['staff0', 'staff2'] as $above) {
                $line = $world->apply($above, $verb, window: $window, actor: 'staff1');
                self::assertSame(
                    ['not-yours-to-take', 'lead-tutor'],
                    [$line->reasons[0]->code, $line->reasons[0]->values['role']],
                    "$verb->value of $above",
                );
            }
        }
    }

    public function testNobodyLengthensResumesOrFreesThemselves(): void
    {
        $world = self::world();
        $world->apply('staff1', Verb::LetIn, 'co-tutor', new Window(0, 1_500));
        $code = static fn($line): string => $line->reasons[0]->code ?? $line->verdict->value;
        $longer = $world->apply(
            'staff1',
            Verb::ChangeDates,
            window: new Window(Time::BEGINNING, 9_000),
            actor: 'staff1',
        );
        self::assertSame('not-to-yourself', $code($longer));
        $world->apply('staff1', Verb::Pause, window: new Window(1_100, 1_200));
        self::assertSame('set-from-above', $code($world->apply('staff1', Verb::Resume, actor: 'staff1')));
        $shorter = $world->apply(
            'staff1',
            Verb::ChangeDates,
            window: new Window(Time::BEGINNING, 1_300),
            actor: 'staff1',
        );
        self::assertSame('ready', $code($shorter), 'anybody may go sooner');
        self::assertSame('not-to-yourself', $code($world->apply('staff1', Verb::ClearDates, actor: 'staff1')));
        self::assertSame('ready', $code($world->apply('staff1', Verb::ClearDates, actor: 'staff0')));
    }

    public function testWhatSomebodyHigherSetIsLiftedBySomebodyAtLeastAsHigh(): void
    {
        $world = self::world();
        $world->apply('staff1', Verb::LetIn, 'co-tutor');
        $world->apply('learner0', Verb::LetIn, 'learner', actor: 'staff1');
        $pause = $world->apply('learner0', Verb::Pause, actor: 'staff0');
        $code = static fn($line): string => $line->reasons[0]->code ?? $line->verdict->value;
        self::assertSame('set-from-above', $code($world->apply('learner0', Verb::Resume, actor: 'staff1')));
        self::assertSame('set-from-above', $code($world->undo('learner0', $pause->effects, 'staff1')));
        $again = $world->apply('learner0', Verb::Pause, window: new Window(0, 2_000), actor: 'staff1');
        self::assertSame('set-from-above', $code($again), 'another pause in its place would lift it, too');
        self::assertSame('ready', $code($world->apply('learner0', Verb::Resume, actor: 'staff0')));
    }

    /** Every verb, every pair of roles, whatever the two had before and will have. */
    public function testNobodyTakesFromAboveOrGainsForThemselvesWhateverStands(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $world = self::world();
            $world->now = 20;
            $world->enrollments['staff1'] = World::randomEnrollment($dice);
            $world->enrollments['staff2'] = World::randomEnrollment($dice);
            $person = $dice->one(['staff1', 'staff2']);
            $until = $dice->chance(50) ? Time::FOREVER : 21 + $dice->below(30);
            $from = $dice->chance(50) ? 20 : min($until, 20 + $dice->below(20));
            $before = $world->enrollment($person)->timeline();
            $actor = $world->context($person, 'staff1')->actor;
            $role = $dice->one(['lead-tutor', 'co-tutor', 'class-assistant']);
            $verb = $dice->one(Verb::cases());
            $line = $world->compute($person, $verb, $role, new Window($from, $until), 'staff1', leadEnds: true);
            foreach (range(20, 60) as $instant) {
                [$was, $is] = [$before->at($instant), $line->timeline->at($instant)];
                $had = State::Current === $was?->state ? $world->roles->pick($was->roles) : [];
                $has = State::Current === $is?->state ? $world->roles->pick($is->roles) : [];
                if ('staff1' === $person) {
                    self::assertLessThanOrEqual($had[0]->rank ?? 0, $has[0]->rank ?? 0, "$verb->value: raised");
                }
                foreach ('staff1' === $person ? [] : array_udiff($had, $has, $world->byCode(...)) as $lost) {
                    self::assertNotEmpty(
                        array_filter(
                            $actor->roles,
                            static fn($own): bool => \in_array($own->code, $lost->givenBy, true),
                        ),
                        "$verb->value: $lost->code taken from below",
                    );
                }
            }
        });
    }

    public function testWhoWentByThemselvesIsNotFetchedBackByAnUndo(): void
    {
        $world = self::world();
        $world->apply('learner0', Verb::LetIn, 'learner');
        $gone = $world->apply('learner0', Verb::Remove, actor: 'learner0');
        self::assertSame(
            'left-by-themselves',
            $world->undo('learner0', $gone->effects, 'staff0')->reasons[0]->code ?? '',
        );
        self::assertSame(Verdict::Ready, $world->undo('learner0', $gone->effects)->verdict, 'an administrator may');
    }

    public function testASeatThatFreesCanBeGivenFromThatInstantOnAndOnlyOnce(): void
    {
        $world = self::world(seats: 1);
        $fourthDay = $world->now + 3 * 86_400;
        $world->apply('learner0', Verb::LetIn, 'learner', new Window($world->now, $fourthDay));
        $now = $world->compute('learner1', Verb::LetIn, 'learner');
        self::assertSame([Verdict::WaitsForSeat, 'seat-later'], [$now->verdict, $now->reasons[0]->code]);
        self::assertSame($fourthDay, $now->reasons[0]->values['at']);
        $early = $world->compute('learner1', Verb::LetIn, 'learner', new Window($fourthDay - 1));
        self::assertSame(Verdict::WaitsForSeat, $early->verdict);
        self::assertSame(
            Verdict::Ready,
            $world->apply('learner1', Verb::LetIn, 'learner', new Window($fourthDay))->verdict,
        );
        $none = $world->compute('learner2', Verb::LetIn, 'learner', new Window($fourthDay));
        self::assertSame('no-seat', $none->reasons[0]->code);
        $longer = $world->compute('learner0', Verb::ChangeDates, window: new Window($world->now, $fourthDay + 1));
        self::assertSame('no-seat', $longer->reasons[0]->code, 'nobody stays on in a seat that was given');
    }

    public function testASeatThatIsKeptForLaterCanBeGivenUntilThen(): void
    {
        $world = self::world(seats: 1);
        $fourthDay = $world->now + 3 * 86_400;
        $world->apply('learner0', Verb::LetIn, 'learner', new Window($fourthDay));
        $now = $world->compute('learner1', Verb::LetIn, 'learner');
        self::assertSame([Verdict::WaitsForSeat, 'seat-until'], [$now->verdict, $now->reasons[0]->code]);
        self::assertSame($fourthDay, $now->reasons[0]->values['at']);
        $until = new Window($world->now, $fourthDay);
        self::assertSame(Verdict::Ready, $world->apply('learner1', Verb::LetIn, 'learner', $until)->verdict);
    }

    public function testASeatBetweenTwoStretchesIsGivenForJustThat(): void
    {
        $world = self::world(seats: 1);
        $world->apply('learner0', Verb::LetIn, 'learner', new Window($world->now, $world->now + 10));
        $world->apply('learner1', Verb::LetIn, 'learner', new Window($world->now + 20));
        $gap = static fn(int $until): Window => new Window($world->now + 10, $world->now + $until);
        self::assertSame(Verdict::WaitsForSeat, $world->compute('learner2', Verb::LetIn, 'learner', $gap(21))->verdict);
        self::assertSame(Verdict::Ready, $world->apply('learner2', Verb::LetIn, 'learner', $gap(20))->verdict);
    }

    public function testWhoIsAskedAboutWaits(): void
    {
        $world = self::world();
        $line = $world->apply('learner0', Verb::LetIn, 'learner', asks: true);
        self::assertSame(['waiting', 'waits-for-approval'], [$line->after?->state->value, $line->cautions[0]->code]);
        self::assertSame(0, $world->seatsHeld());
    }

    public function testOnlyWhatStaffDidCountsAsRemoved(): void
    {
        $world = self::world();
        $world->apply('learner0', Verb::LetIn, 'learner');
        self::assertFalse($world->enrollment('learner0')->removedByStaff($world->now));
        $world->apply('learner0', Verb::Remove, actor: 'learner0');
        self::assertFalse($world->enrollment('learner0')->removedByStaff($world->now), 'they went by themselves');
        $world->apply('learner0', Verb::BringBack);
        $world->apply('learner0', Verb::Remove);
        self::assertTrue($world->enrollment('learner0')->removedByStaff($world->now));
    }

    private static function world(?int $seats = null, int $leads = 10): World
    {
        return World::withPeople(
            new Site('s', 'seniors', null, $seats, $leads, opensAt: 0, sections: World::sections()),
        );
    }

    private function randomChange(World $world, Dice $dice): void
    {
        [$person, $verb, $role] = $this->randomRequest($dice);
        // What is planned for later may leave a site without a lead when its time comes; it is said before, see below.
        $window = Verb::LetIn === $verb && $dice->chance(20) ? new Window($world->now + $dice->below(5)) : null;
        $line = $world->apply($person, $verb, $role, $window, $dice->one(['admin', 'admin', 'staff0', 'staff1']));
        if ($dice->chance(25)) {
            $world->undo($person, $line->effects);
        }
    }

    /** @return array{string, Verb, ?string} */
    private function randomRequest(Dice $dice, ?string $person = null): array
    {
        $person ??= $dice->one([
            'staff0',
            'staff1',
            'staff2',
            'staff3',
            'learner0',
            'learner1',
            'learner2',
            'learner3',
            'learner4',
            'learner5',
        ]);
        $verb = $dice->one(Verb::cases());
        $role = \in_array($verb, [Verb::LetIn, Verb::ChangeRole], true)
            ? $dice->one(
                str_starts_with($person, 's')
                    ? ['lead-tutor', 'lead-tutor', 'co-tutor', 'class-assistant', 'learner']
                    : ['learner', 'day-guest'],
            )
            : null;

        return [$person, $verb, $role];
    }
}
