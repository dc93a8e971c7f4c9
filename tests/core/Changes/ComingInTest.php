<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Changes;

use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\LineComputer;
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
