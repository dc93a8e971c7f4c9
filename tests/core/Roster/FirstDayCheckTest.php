<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Roster;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\FirstRoles;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\Alike;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Entry;
use MintDoor\Core\Roster\FirstDayCheck;
use MintDoor\Core\Roster\FirstDayGroup;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;
use MintDoor\Tests\Core\World;
use PHPUnit\Framework\TestCase;

final class FirstDayCheckTest extends TestCase
{
    use TestTrait;

    public function testGroupsThoseWhoCouldNotEnterByWhatDecides(): void
    {
        $person = static fn(string $id, int $closes = Time::FOREVER): Person => new Person(
            $id,
            PersonKind::Learner,
            'seniors',
            7,
            $closes,
        );
        $in = static fn(Window $window, int $accepted = 0, Override ...$overrides): Timeline => (new Enrollment(
            [new Grant('p', 'd', DoorKind::Staff, 'learner', 0, $window, $accepted)],
            array_values($overrides),
        ))->timeline();
        $people = [
            'fine' => [$person('fine'), $in(new Window(0))],
            'late' => [$person('late'), $in(new Window(150))],
            'later' => [$person('later'), $in(new Window(200))],
            'unanswered' => [$person('unanswered'), $in(new Window(0), Time::FOREVER)],
            'paused' => [
                $person('paused'),
                $in(new Window(0), 0, new Override('m', OverrideKind::Paused, new Window(50, 120))),
            ],
            'closed' => [$person('closed', 90), $in(new Window(0))],
            'over' => [$person('over'), $in(new Window(0, 90))],
        ];
        $firstDayCheck = FirstDayCheck::at(
            100,
            new Site('s', 'seniors', opensAt: 0),
            FirstRoles::book([], ['seniors']),
            self::oneByOne($people),
        );
        self::assertSame([1, 0], [$firstDayCheck->enter, $firstDayCheck->look]);
        self::assertSame(
            ['upcoming' => ['late', 'later'], 'unanswered' => ['unanswered']],
            [
                'upcoming' => $firstDayCheck->groups['upcoming']->people,
                'unanswered' => $firstDayCheck->groups['waiting']->people,
            ],
        );
        self::assertSame('upcoming', array_key_first($firstDayCheck->groups), 'the largest group first');
        self::assertEqualsCanonicalizing(
            ['upcoming', 'waiting', 'paused', 'account-closed'],
            array_keys($firstDayCheck->groups),
            'whose time is over is not expected',
        );
    }

    public function testInADraftOnlyThoseWhoPrepareItCouldEnter(): void
    {
        $world = World::withPeople(new Site('s', 'seniors'));
        $lead = ['staff0' => [$world->people['staff0'], $world->enrollment('staff0')->timeline()]];
        $learner = [
            'l' => [
                $world->people['learner0'],
                (new Enrollment([new Grant('p', 'd', DoorKind::Staff, 'learner', 0, new Window(0))]))->timeline(),
            ],
        ];
        $firstDayCheck = FirstDayCheck::at(10, $world->site, $world->roles, self::oneByOne($lead + $learner));
        self::assertSame([1, ['draft']], [$firstDayCheck->enter, array_keys($firstDayCheck->groups)]);
    }

    public function testEverybodyWhoIsHereIsCountedOnce(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $roles = FirstRoles::book([], ['seniors']);
            $site = new Site('s', 'seniors', opensAt: $dice->below(40));
            $people = [];
            for ($n = 0; $n < 5; ++$n) {
                $people["p$n"] = [
                    new Person("p$n", PersonKind::Staff, 'faculty'),
                    World::randomEnrollment($dice)->timeline(),
                ];
            }
            $firstDayCheck = FirstDayCheck::at($instant = $dice->below(45), $site, $roles, self::oneByOne($people));
            $here = array_filter(
                $people,
                static fn(array $each): bool => true === $each[1]->at($instant)?->state->here(),
            );
            $grouped = array_merge(
                ...array_values(
                    array_map(static fn(FirstDayGroup $group): array => $group->people, $firstDayCheck->groups)
                ) ?: [[]],
            );
            self::assertSame(\count($here), $firstDayCheck->enter + $firstDayCheck->look + \count($grouped));
            self::assertSame($grouped, array_values(array_unique($grouped)));
            foreach ($grouped as $id) {
                self::assertNotSame(
                    Entry::Enter,
                    (new Access($roles))->reason($people[$id][1], $people[$id][0], $site, $instant)->entry,
                );
            }
        });
    }

    /**
     * @param array<string, array{Person, Timeline}> $people
     *
     * @return list<Alike>
     */
    private static function oneByOne(array $people): array
    {
        return array_map(
            static fn(array $each, string $id): Alike => new Alike($each[0], $each[1], [$id]),
            $people,
            array_keys($people),
        );
    }
}
