<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Changes;

use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\FirstRoles;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Tests\Core\World;
use PHPUnit\Framework\TestCase;

/** Where a rule begins and ends: the instant itself, the last one that counts, what was so before. */
final class EdgesTest extends TestCase
{
    public function testWhoeverTakesLessForThemselvesMay(): void
    {
        $world = self::world();
        $world->apply('staff1', Verb::LetIn, FirstRoles::LEAD);
        $line = $world->apply('staff1', Verb::ChangeRole, 'co-tutor', actor: 'staff1');
        self::assertSame(['co-tutor'], $line->timeline->at($world->now)?->roles, self::said($line));
    }

    public function testARoleThatFitsNobodyLikeThemAnyMoreMayBeKeptLongerButNotComeBack(): void
    {
        $world = self::world();
        $world->apply('learner0', Verb::LetIn, FirstRoles::LEARNER, new Window(0, 1_500));
        $world->people['learner0'] = new Person('learner0', PersonKind::Staff, 'faculty');
        $longer = $world->apply('learner0', Verb::ChangeDates, window: new Window(Time::BEGINNING, 9_000));
        self::assertSame('ready', self::said($longer));
        $world->apply('learner0', Verb::Remove);
        self::assertSame('wrong-kind', self::said($world->compute('learner0', Verb::BringBack)));
    }

    public function testWhoLeadsAlreadyIsNotOneMore(): void
    {
        $world = self::world();
        $world->apply('staff1', Verb::LetIn, FirstRoles::LEAD);
        $world->site = new Site('s', 'seniors', null, null, 1, opensAt: 0);
        $line = $world->compute('staff1', Verb::ChangeDates, window: new Window(Time::BEGINNING, 9_000));
        self::assertSame('ready', self::said($line), 'the limit was lowered since');
        self::assertSame('leads-full', self::said($world->compute('staff2', Verb::LetIn, FirstRoles::LEAD)));
    }

    public function testAGapThatWasThereBeforeStopsNobody(): void
    {
        $world = self::world();
        $world->enrollments['staff0'] = new Enrollment([
            new Grant('first', 'staff', DoorKind::Staff, FirstRoles::LEAD, 0, new Window(0, 5_000), 0),
        ]);
        self::assertSame('ready', self::said($world->apply('learner0', Verb::LetIn, FirstRoles::LEARNER)));
        self::assertSame('ready', self::said($world->compute('learner0', Verb::Pause)));
    }

    public function testWhoWasHereBeforeAndIsToBeAskedAboutIsAskedAbout(): void
    {
        $world = self::world();
        $world->apply('learner0', Verb::LetIn, FirstRoles::LEARNER);
        $world->apply('learner0', Verb::Remove);
        $line = $world->compute('learner0', Verb::LetIn, asks: true);
        self::assertSame(State::Waiting, $line->timeline->at($world->now)?->state);
        self::assertSame(['waits-for-approval'], array_column($line->cautions, 'code'));
    }

    public function testWaysInThatWereEndedTogetherComeBackTogether(): void
    {
        $world = self::world();
        $world->enrollments['learner0'] = new Enrollment([
            new Grant('one', 'staff', DoorKind::Staff, FirstRoles::LEARNER, 0, new Window(0), 0),
            new Grant('other', 'key', DoorKind::Key, 'day-guest', 0, new Window(0), 0),
        ]);
        $world->apply('learner0', Verb::Remove);
        ++$world->now;
        $back = $world->compute('learner0', Verb::BringBack);
        self::assertCount(2, $back->effects);
        self::assertSame(['day-guest', FirstRoles::LEARNER], $back->timeline->at($world->now)?->roles);
    }

    public function testStaffBringBackWhoWentByThemselvesButNobodyIsAskedForThem(): void
    {
        $world = self::world();
        $world->apply('learner0', Verb::LetIn, FirstRoles::LEARNER);
        $world->apply('learner0', Verb::Remove, actor: 'learner0');
        self::assertSame('ready', self::said($world->compute('learner0', Verb::BringBack, actor: 'staff0')));
        self::assertSame(
            'left-by-themselves',
            self::said($world->compute('learner0', Verb::BringBack, actor: 'staff0', asks: true)),
        );
    }

    public function testATimeThatEndsAtThisInstantIsOver(): void
    {
        $world = self::world();
        $world->apply('learner0', Verb::LetIn, FirstRoles::LEARNER);
        $now = new Window(Time::BEGINNING, $world->now);
        foreach ([Verb::ChangeDates, Verb::Pause, Verb::Block] as $verb) {
            self::assertSame('window-is-over', self::said($world->compute('learner0', $verb, window: $now)));
        }
        $over = new Override('over', OverrideKind::Paused, new Window(500, $world->now));
        $world->enrollments['learner0'] = new Enrollment($world->enrollment('learner0')->grants, [$over]);
        self::assertSame('not-paused', self::said($world->compute('learner0', Verb::Resume)));
    }

    public function testAPauseThatEndsAsTheyBeginIsNone(): void
    {
        $world = self::world();
        $world->apply('learner0', Verb::LetIn, FirstRoles::LEARNER, new Window(2_000));
        self::assertSame(
            'pause-outside',
            self::said($world->compute('learner0', Verb::Pause, window: new Window($world->now, 2_000))),
        );
    }

    private static function world(): World
    {
        return World::withPeople(new Site('s', 'seniors', null, null, 10, opensAt: 0));
    }

    private static function said(ComputedChange $line): string
    {
        return Verdict::Ready === $line->verdict ? 'ready' : $line->reasons[0]->code;
    }
}
