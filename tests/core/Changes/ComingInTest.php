<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Changes;

use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\LineComputer;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Window;
use MintDoor\Tests\Core\World;
use PHPUnit\Framework\TestCase;

/** What happens at doors, as lines of change lists. */
final class ComingInTest extends TestCase
{
    private World $world;

    private LineComputer $computer;

    protected function setUp(): void
    {
        $this->world = World::withPeople(new Site('s', 'seniors', seats: 1, opensAt: 0));
        $this->computer = new LineComputer($this->world);
    }

    public function testWhoeverStandsAtADoorIsThereOnlyOnceTheyComeIn(): void
    {
        $waits = $this->stand('learner0');
        self::assertSame(
            [Verdict::Ready, State::Waiting, false],
            [$waits->verdict, $waits->after?->state, $waits->after?->holdsSeat],
        );
        ++$this->world->now;
        $in = $this->comeIn('learner0');
        self::assertSame(
            [State::Current, true, $this->world->now],
            [$in->after?->state, $in->after?->holdsSeat, $in->after?->since],
        );
        self::assertCount(2, $in->effects, 'What they waited with is undone.');
        self::assertSame(
            State::Waiting,
            $this->world->undo('learner0', $in->effects)->after?->state,
            'An undo has them wait again.',
        );
    }

    public function testSomebodyGoesAgainFromTheDoorsTheyCameThroughAndNoOther(): void
    {
        $this->comeIn('learner0');
        $go = fn(string $door, bool $waiting = false): ComputedChange => $this->computer->goAgain(
            $this->world->context('learner0'),
            [$door],
            $waiting,
        );
        self::assertSame(State::Removed, $go('key')->after?->state);
        self::assertSame(Verdict::NothingToDo, $go('another')->verdict);
        self::assertSame(Verdict::NothingToDo, $go('key', true)->verdict, 'They wait no more.');
        $here = $this->world->enrollments['learner0'];
        $this->world->enrollments['learner0'] = new Enrollment([
            ...$here->grants,
            new Grant('list', 'list', DoorKind::Cohort, 'learner', 0, new Window(0)),
        ]);
        self::assertSame(State::Current, $go('key')->timeline->at($this->world->now)?->state);
    }

    public function testADoorIsNoWayRoundTheLaws(): void
    {
        $this->comeIn('learner0');
        self::assertSame(Verdict::WaitsForSeat, $this->comeIn('learner1')->verdict);
        self::assertSame(Verdict::Ready, $this->stand('learner1')->verdict);
        $lead = $this->computer->goAgain($this->world->context('staff0'), ['staff']);
        self::assertSame([Verdict::Refused, 'last-lead'], [$lead->verdict, $lead->reasons[0]->code]);
    }

    public function testTimeAtADoorBecomesAnotherWithoutAnybodyComingAnew(): void
    {
        $this->comeIn('learner0');
        $since = $this->world->now;
        $this->world->now += 10;
        $stay = function (int $from, int $until): ComputedChange {
            $line = $this->computer->stayFor(
                $this->world->context('learner0'),
                'key',
                DoorKind::Key,
                'learner',
                new Window($from, $until),
                null,
            );
            $this->world->enrollments['learner0'] = $line->result;

            return $line;
        };
        $now = $this->world->now;
        self::assertCount(1, $stay($now, $now + 50)->effects);
        $has = fn(): ?Window => $this->world->enrollment('learner0')->windowAt('key', $this->world->now);
        self::assertEquals(new Window($since, $now + 50), $has());
        self::assertEquals($now + 90, $stay($now, $now + 90)->timeline->at($now)->window->until ?? 0);
        self::assertCount(1, $this->world->enrollment('learner0')->grants, 'the same was only to end later');
        $this->world->now += 60;
        $moved = $stay($now + 70, $now + 200);
        self::assertSame(State::Upcoming, $moved->after?->state);
        $this->world->now += 20;
        $here = $this->world->enrollment('learner0')->timeline()->at($this->world->now);
        self::assertSame([State::Current, $since], [$here?->state, $here?->since]);
        self::assertSame(Verdict::WaitsForSeat, $this->comeIn('learner1')->verdict, 'the seat is still theirs');
    }

    public function testWhatShowsOnlyLaterIsGivenAndTakenBackAllTheSame(): void
    {
        $this->world->apply('learner0', Verb::LetIn, 'learner');
        $stay = $this->computer->stayFor(
            $this->world->context('learner0'),
            'list',
            DoorKind::Cohort,
            'learner',
            new Window($this->world->now),
            null,
        );
        self::assertSame([Verdict::Ready, 1], [$stay->verdict, \count($stay->effects)]);
        $this->world->enrollments['learner0'] = $stay->result;
        $go = fn(string $door): ComputedChange => $this->computer->goAgain($this->world->context('learner0'), [$door]);
        $this->world->enrollments['learner0'] = $go('staff')->result;
        self::assertSame(
            State::Current,
            $this->world->enrollment('learner0')->timeline()->at($this->world->now)?->state
        );
        self::assertSame(State::Removed, $go('list')->after?->state);
    }

    public function testWhoTookSomethingBackIsRemembered(): void
    {
        $this->comeIn('learner0');
        $enrollment = fn(): Enrollment => $this->world->enrollment('learner0');
        $removed = $this->world->apply('learner0', Verb::Remove);
        self::assertTrue($enrollment()->takenBackByStaff('key', $this->world->now));
        self::assertNull($enrollment()->windowAt('key', $this->world->now));
        $this->world->undo('learner0', $removed->effects);
        self::assertFalse($enrollment()->takenBackByStaff('key', $this->world->now));
        $gone = $this->computer->goAgain($this->world->context('learner0'), ['key']);
        self::assertFalse($gone->result->takenBackByStaff('key', $this->world->now), 'a door binds nobody');
    }

    private function comeIn(string $person): ComputedChange
    {
        $line = $this->computer->comeIn(
            $this->world->context($person, $person),
            'key',
            DoorKind::Key,
            'learner',
            new Window($this->world->now),
            null,
        );
        $this->world->enrollments[$person] = $line->result;

        return $line;
    }

    private function stand(string $person): ComputedChange
    {
        $line = $this->computer->stand(
            $this->world->context($person, $person),
            'key',
            DoorKind::Key,
            'learner',
            new Window($this->world->now),
            null,
        );
        $this->world->enrollments[$person] = $line->result;

        return $line;
    }
}
