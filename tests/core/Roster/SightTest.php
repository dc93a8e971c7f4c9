<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Roster;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\FirstRoles;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Role;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\Sight;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Sites\Section;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Who sees whom: by examples first, then as laws of any people in any sections. */
final class SightTest extends TestCase
{
    use TestTrait;

    private const ROLES = [
        'lead-tutor',
        'co-tutor',
        'class-assistant',
        'support-aide',
        'content-editor',
        'learner',
        'sit-in-observer',
        'day-guest',
    ];

    /** @return iterable<string, array{list<string>, list<string>, list<string>, list<string>, bool}> */
    public static function pairs(): iterable
    {
        yield 'a learner of the same section' => [['learner'], ['m'], ['learner'], ['m'], true];
        yield 'a learner of another' => [['learner'], ['m'], ['learner'], ['e'], false];
        yield 'who shares one of several' => [['learner'], ['m', 'n'], ['learner'], ['e', 'n'], true];
        yield 'a learner of none, from a section' => [['learner'], ['m'], ['learner'], [], false];
        yield 'a learner of none sees no other of none' => [['learner'], [], ['learner'], [], false];
        yield 'a learner sees the lead' => [['learner'], ['m'], ['lead-tutor'], [], true];
        yield 'also one who is in another section' => [['learner'], ['m'], ['lead-tutor'], ['e'], true];
        yield 'staff of no section are seen by all' => [['learner'], ['m'], ['co-tutor'], [], true];
        yield 'nor the assistant of another section' => [['learner'], ['m'], ['class-assistant'], ['e'], false];
        yield 'an assistant of a section sees its learners' => [['class-assistant'], ['m'], ['learner'], ['m'], true];
        yield 'and no others' => [['class-assistant'], ['m'], ['learner'], ['e'], false];
        yield 'not even those of none' => [['class-assistant'], ['m'], ['learner'], [], false];
        yield 'an assistant of no section sees all' => [['class-assistant'], [], ['learner'], ['e'], true];
        yield 'a co-tutor of a section sees its people' => [['co-tutor'], ['m'], ['learner'], ['e'], false];
        yield 'a lead sees all, whatever section they are in' => [['lead-tutor'], ['m'], ['learner'], ['e'], true];
        yield 'a guest of no section sees no learners' => [['day-guest'], [], ['learner'], ['m'], false];
        yield 'and is not seen by them' => [['learner'], ['m'], ['day-guest'], [], false];
        yield 'who looks on with a section sees it' => [['sit-in-observer'], ['m'], ['learner'], ['m'], true];
        yield 'who looks on without sees no learners' => [['sit-in-observer'], [], ['learner'], ['m'], false];
    }

    /** What lists over many sites are asked with; they take it that whoever may, and is in no section, sees all. */
    #[TestWith([Permission::LetIn])]
    #[TestWith([Permission::KeepDoors])]
    #[TestWith([Permission::WriteToPeople])]
    #[TestWith([Permission::SeeHistory])]
    public function testWhoDoesWhatStaffDoInNoSectionSeesAll(Permission $may): void
    {
        $book = new RoleBook([
            new Role('helper', 'Helper', 'Mentor', 20, [$may], [PersonKind::Staff], [], []),
            new Role('guest', 'Guest', 'Mentor', 10, [Permission::Enter], [PersonKind::Staff], [], []),
        ]);
        self::assertNull(Sight::reach(['helper'], [], $book));
        self::assertSame(['m'], Sight::reach(['helper'], ['m'], $book));
        self::assertSame([], Sight::reach(['guest'], [], $book));
    }

    /**
     * @param list<string> $roles    of whoever looks
     * @param list<string> $sections of whoever looks
     * @param list<string> $theirs   roles of who is looked at
     * @param list<string> $in       sections of who is looked at
     */
    #[DataProvider('pairs')]
    public function testSees(array $roles, array $sections, array $theirs, array $in, bool $sees): void
    {
        $site = self::site(true);
        $standing = self::standing($site, 'one', self::segment($roles, $sections));
        self::assertSame($sees, Sight::of($standing)->sees('other', self::segment($theirs, $in), self::book()));
        $open = self::standing(self::site(false), 'one', self::segment($roles, $sections));
        self::assertTrue(Sight::of($open)->sees('other', self::segment($theirs, $in), self::book()));
    }

    public function testEverybodySeesThemselvesAndAdministratorsSeeAll(): void
    {
        $this->eachPair(static function (Site $site, Segment $one, Segment $other): void {
            self::assertTrue(Sight::of(self::standing($site, 'one', $one))->sees('one', $one, self::book()));
            self::assertTrue(Sight::of(new Standing('one', true))->sees('other', $other, self::book()));
        });
    }

    public function testNoLearnerSeesALearnerWithWhomTheyShareNoSection(): void
    {
        $this->eachPair(static function (Site $site, Segment $one, Segment $other): void {
            [$one, $other] = [self::segment(['learner'], $one->sections), self::segment(['learner'], $other->sections)];
            $shared = [] !== array_intersect($one->sections, $other->sections);
            $sees = Sight::of(self::standing($site, 'one', $one))->sees('other', $other, self::book());
            self::assertSame($shared, $sees);
        });
    }

    /** More sections never show fewer people, but to staff, whom a first one keeps to it. */
    public function testOneSectionMoreShowsNobodyLess(): void
    {
        $this->eachPair(static function (Site $site, Segment $one, Segment $other): void {
            if ([] === $one->sections) {
                return;
            }
            $more = self::segment($one->roles, array_values(array_unique([...$one->sections, 'n'])));
            $sees = Sight::of(self::standing($site, 'one', $one))->sees('other', $other, self::book());
            self::assertTrue(
                !$sees || Sight::of(self::standing($site, 'one', $more))->sees('other', $other, self::book())
            );
        });
    }

    /** What is no longer somebody's place shows them nobody: not even those of their section. */
    public function testWhoIsNotCurrentSeesOnlyThemselvesAndStaff(): void
    {
        $this->eachPair(static function (Site $site, Segment $one, Segment $other): void {
            foreach ([State::Paused, State::Upcoming, State::Removed, State::Blocked] as $state) {
                $out = self::segment($one->roles, $one->sections, $state);
                $sight = Sight::of(self::standing($site, 'one', $out));
                self::assertSame([], $sight->sections);
                self::assertFalse(['learner'] === $other->roles && $sight->sees('other', $other, self::book()));
            }
        });
    }

    /** The rule as a list of codes, which the database is asked with, says the same. */
    public function testTheCodesOfWhomAllSeeSayTheSame(): void
    {
        [$always, $inNone] = Sight::seenByAll(self::book());
        $this->eachPair(static function (Site $site, Segment $one, Segment $other) use ($always, $inNone): void {
            $sight = Sight::of(self::standing($site, 'one', $one));
            $highest = self::book()->pick($other->roles)[0]->code ?? '';
            $sees = $sight->all()
                || \in_array($highest, $always, true)
                || ([] === $other->sections && \in_array($highest, $inNone, true))
                || [] !== array_intersect($other->sections, $sight->sections ?? []);
            self::assertSame($sees, $sight->sees('other', $other, self::book()));
        });
    }

    public function testALearnersSectionDecidesWhenTheyEnter(): void
    {
        $section = new Section('m', null, new Window(100, 200));
        $site = new Site('site', 'seniors', opensAt: 0, sections: ['m' => $section, 'n' => new Section('n')]);
        $access = new Access(self::book());
        $learner = new Person('p', PersonKind::Learner, 'seniors', 7);
        $said = static fn(string $role, string $sections, int $now): string => $access
            ->reason(
                new Timeline([self::segment([$role], array_values(array_diff(explode(' ', $sections), ['none'])))]),
                $learner,
                $site,
                $now
            )
            ->deciding()->code;
        self::assertSame('section-upcoming', $said('learner', 'm', 99));
        self::assertSame('let-in', $said('learner', 'm', 100));
        self::assertSame('section-over', $said('learner', 'm', 200));
        self::assertSame('let-in', $said('learner', 'm n', 99), 'one of theirs has its time');
        self::assertSame('let-in', $said('learner', 'none', 99), 'who is in none');
        self::assertSame('let-in', $said('class-assistant', 'm', 99), 'staff prepare it');
        $until = $access->reason(new Timeline([self::segment(['learner'], ['m'])]), $learner, $site, 150)->deciding();
        self::assertSame(200, $until->values['until']);
        $standing = $access->standing(new Timeline([self::segment(['learner'], ['m'])]), $learner, 99, false, $site);
        self::assertSame([], $standing->permissions);
        $entries = array_map(
            static fn($stretch): array => [$stretch->window->from, $stretch->entry->value],
            $access->stretches(new Timeline([self::segment(['learner'], ['m'])]), $learner, $site, 50),
        );
        self::assertSame([[50, 'no'], [100, 'enter'], [200, 'no']], $entries);
    }

    /** @param callable(Site, Segment, Segment): void $check */
    private function eachPair(callable $check): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed) use ($check): void {
            $dice = new Dice($seed);
            $some = static function () use ($dice): Segment {
                $roles = array_values(array_unique([$dice->one(self::ROLES), ...$dice->chance(20) ? ['learner'] : []]));
                $sections = array_values(array_filter(['e', 'm', 'n'], static fn(): bool => $dice->chance(40)));

                return self::segment($roles, $sections);
            };
            $check(self::site(true), $some(), $some());
        });
    }

    private static function book(): RoleBook
    {
        static $book = null;

        return $book ??= FirstRoles::book(['juniors'], ['seniors']);
    }

    private static function site(bool $apart): Site
    {
        $sections = ['e' => new Section('e'), 'm' => new Section('m'), 'n' => new Section('n')];

        return new Site('site', 'seniors', opensAt: 0, sections: $sections, apart: $apart);
    }

    private static function standing(Site $site, string $person, Segment $segment): Standing
    {
        return (new Access(self::book()))->standing(
            new Timeline([$segment]),
            new Person($person, PersonKind::Learner, 'seniors', 7),
            10,
            false,
            $site,
        );
    }

    /**
     * @param list<string> $roles
     * @param list<string> $sections
     */
    private static function segment(array $roles, array $sections, State $state = State::Current): Segment
    {
        sort($roles);
        sort($sections);

        return new Segment(new Window(0, Time::FOREVER), $state, $roles, true, 0, $sections);
    }
}
