<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Sheets;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Pass;
use MintDoor\Core\Sheets\Done;
use MintDoor\Core\Sheets\History;
use MintDoor\Core\Sheets\Verb;
use MintDoor\Core\Sheets\Verdict;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\StandIns\Dice;
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
            [$person, $verb, $role] = $this->randomWish($dice);
            $before = $world->enrollment($person)->timeline();
            $line = $world->apply($person, $verb, $role);
            $world->now += $dice->below(2);
            $undone = $world->undo($person, $line->effects);
            if (Verdict::Ready === $line->verdict) {
                self::assertContains($undone->verdict, [Verdict::Ready, Verdict::NothingToDo]);
            }
            self::assertTrue($world->enrollment($person)->timeline()->from($world->now)->equals($before->from($world->now)), "$verb->value of $person");
        });
    }

    /** Whatever may be undone, once undone, gives what was before it, however often things were undone and done again. */
    public function testUndoingStepByStepGivesWhatWasBeforeEachStep(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(function (int $seed): void {
            $dice = new Dice($seed);
            $world = self::world();
            $person = $dice->one(['staff1', 'learner0']);
            $effects = $lines = [];
            $stood = [$world->enrollment($person)->timeline()];
            for ($step = 0; $step < 16; ++$step) {
                $history = new History($lines);
                $undoable = array_values(array_filter(array_column($lines, 'id'), $history->mayUndo(...)));
                $target = [] !== $undoable && $dice->chance(60) ? $dice->one($undoable) : null;
                [, $verb, $role] = $this->randomWish($dice, $person);
                $line = null === $target ? $world->apply($person, $verb, $role) : $world->undo($person, $effects[$target]);
                if (null !== $target) {
                    self::assertTrue($world->enrollment($person)->timeline()->from($world->now)->equals($stood[(int) $target - 1]->from($world->now)), "line $target");
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
            [$person, $verb, $role] = $this->randomWish($dice);
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
        self::assertSame('last-lead', $world->apply('staff0', Verb::TakeOut)->reasons[0]->code);
        self::assertSame('last-lead', $world->apply('staff0', Verb::ChangeRole, 'co-tutor')->reasons[0]->code);
        $world->apply('staff1', Verb::LetIn, 'lead-tutor');
        self::assertSame(Verdict::Ready, $world->apply('staff0', Verb::TakeOut)->verdict);
    }

    public function testADraftMayBeWithoutALead(): void
    {
        $world = World::withPeople(new Site('s', 'seniors'));
        self::assertSame(Verdict::Ready, $world->apply('staff0', Verb::TakeOut)->verdict);
    }

    public function testWhereTimeWouldLeaveASiteWithoutALeadItIsSaidBefore(): void
    {
        $world = self::world();
        $world->apply('staff1', Verb::LetIn, 'lead-tutor', new Window($world->now, $world->now + 50));
        $line = $world->apply('staff0', Verb::TakeOut);
        self::assertSame(Verdict::Ready, $line->verdict);
        $caution = array_values(array_filter($line->cautions, static fn ($note): bool => 'lead-ends' === $note->code))[0] ?? null;
        self::assertSame($world->now + 50, $caution?->values['at']);
    }

    public function testAPauseOrAnEndPlannedForTheLastLeadIsSaidBefore(): void
    {
        foreach ([[Verb::Pause, new Window(1_050)], [Verb::ChangeDates, new Window(Time::BEGINNING, 1_050)]] as [$verb, $window]) {
            $world = self::world();
            $world->now = 1_000;
            $line = $world->compute('staff0', $verb, window: $window);
            self::assertSame(['ready', 1_050], [$line->verdict->value, array_column($line->cautions, 'values', 'code')['lead-ends']['at'] ?? null]);
        }
    }

    public function testTheLastSeatGoesToOne(): void
    {
        $world = self::world(seats: 1);
        self::assertSame(Verdict::Ready, $world->apply('learner0', Verb::LetIn, 'learner')->verdict);
        $refused = $world->apply('learner1', Verb::LetIn, 'learner');
        self::assertSame([Verdict::WaitsForSeat, 'no-seat'], [$refused->verdict, $refused->reasons[0]->code]);
        self::assertSame(Verdict::Ready, $world->apply('staff1', Verb::LetIn, 'co-tutor')->verdict, 'staff need no seat');
    }

    public function testAnUpcomingLearnerHoldsASeatAndSomeoneTakenOutDoesNot(): void
    {
        $world = self::world(seats: 1);
        $world->apply('learner0', Verb::LetIn, 'learner', new Window($world->now + 100));
        self::assertSame(1, $world->seatsHeld());
        $world->apply('learner0', Verb::TakeOut);
        self::assertSame(0, $world->seatsHeld());
    }

    public function testBringingBackGivesBackRoleAndSection(): void
    {
        $world = self::world();
        $world->enrollments['learner0'] = new Enrollment([new Pass('p', 'desk', DoorKind::Desk, 'learner', 10, new Window(10, 5_000), 10, 'morning')]);
        $world->apply('learner0', Verb::ChangeRole, 'day-guest');
        $world->apply('learner0', Verb::TakeOut);
        ++$world->now;
        $line = $world->apply('learner0', Verb::BringBack);
        self::assertSame(['day-guest'], $line->after?->roles);
        self::assertSame('morning', $world->enrollment('learner0')->passes[0]->section);
        self::assertSame(5_000, $line->timeline->holdsUntil($world->now, static fn ($segment): bool => ['day-guest'] === $segment->roles && 'current' === $segment->state->value));
    }

    public function testWhoRanOutComesBackWithTheRoleOfBeforeAndIsToldSo(): void
    {
        $world = self::world();
        $world->enrollments['learner0'] = new Enrollment([new Pass('p', 'desk', DoorKind::Desk, 'learner', 10, new Window(10, 500), 10, 'morning')]);
        $line = $world->apply('learner0', Verb::BringBack);
        self::assertSame([Verdict::Ready, 'dates-were-over'], [$line->verdict, $line->cautions[0]->code]);
        self::assertSame([10, 'morning'], [$line->after?->since, $world->enrollment('learner0')->passes[1]->section]);
    }

    public function testTakingOutSaysWhatWouldBringThemBack(): void
    {
        $world = self::world();
        $world->enrollments['learner0'] = new Enrollment([new Pass('p', 'strings', DoorKind::Cohort, 'learner', 10, new Window(10), 10)]);
        self::assertSame(['work-stays', 'comes-back-through'], array_map(static fn ($note): string => $note->code, $world->compute('learner0', Verb::TakeOut)->cautions));
    }

    public function testNobodyGoesBeyondWhatTheyMayGive(): void
    {
        $world = self::world();
        $world->apply('staff1', Verb::LetIn, 'co-tutor');
        $world->apply('staff2', Verb::LetIn, 'class-assistant');
        $code = static fn ($line): string => $line->reasons[0]->code ?? $line->verdict->value;
        self::assertSame('not-yours-to-give', $code($world->apply('staff3', Verb::LetIn, 'lead-tutor', actor: 'staff1')));
        self::assertSame('not-to-yourself', $code($world->apply('staff1', Verb::ChangeRole, 'lead-tutor', actor: 'staff1')));
        self::assertSame('not-yours-to-take', $code($world->apply('staff0', Verb::TakeOut, actor: 'staff1')));
        self::assertSame('not-yours-to-do', $code($world->apply('learner0', Verb::LetIn, 'learner', actor: 'staff2')));
        self::assertSame('not-yours-to-take', $code($world->apply('staff0', Verb::KeepOut, actor: 'staff1')));
        self::assertSame('not-yours-to-do', $code($world->apply('staff2', Verb::KeepOut, actor: 'staff2')));
        self::assertSame('ready', $code($world->apply('staff2', Verb::TakeOut, actor: 'staff2')), 'anybody may leave');
    }

    public function testAnUndoIsHeldAgainstTheLawsToo(): void
    {
        $world = self::world(seats: 1);
        $world->apply('learner0', Verb::LetIn, 'learner');
        $out = $world->apply('learner0', Verb::TakeOut);
        $world->apply('learner1', Verb::LetIn, 'learner');
        self::assertSame(Verdict::WaitsForSeat, $world->undo('learner0', $out->effects)->verdict);
    }

    private static function world(?int $seats = null, int $leads = 10): World
    {
        return World::withPeople(new Site('s', 'seniors', null, $seats, $leads, opensAt: 0));
    }

    private function randomChange(World $world, Dice $dice): void
    {
        [$person, $verb, $role] = $this->randomWish($dice);
        // What is planned for later may leave a site without a lead when its time comes; it is said before, see below.
        $window = Verb::LetIn === $verb && $dice->chance(20) ? new Window($world->now + $dice->below(5)) : null;
        $line = $world->apply($person, $verb, $role, $window, $dice->one(['admin', 'admin', 'staff0', 'staff1']));
        if ($dice->chance(25)) {
            $world->undo($person, $line->effects);
        }
    }

    /** @return array{string, Verb, ?string} */
    private function randomWish(Dice $dice, ?string $person = null): array
    {
        $person ??= $dice->one(['staff0', 'staff1', 'staff2', 'staff3', 'learner0', 'learner1', 'learner2', 'learner3', 'learner4', 'learner5']);
        $verb = $dice->one(Verb::cases());
        $role = \in_array($verb, [Verb::LetIn, Verb::ChangeRole], true)
            ? $dice->one(str_starts_with($person, 's') ? ['lead-tutor', 'lead-tutor', 'co-tutor', 'class-assistant', 'learner'] : ['learner', 'day-guest'])
            : null;

        return [$person, $verb, $role];
    }
}
