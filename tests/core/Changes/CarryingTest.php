<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Changes;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Changes\Carried;
use MintDoor\Core\Changes\Carrying;
use MintDoor\Core\Changes\CarryMap;
use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\Effect;
use MintDoor\Core\Changes\LineComputer;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Changes\Wanted;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Sites\Section;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;
use MintDoor\Tests\Core\World;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** One site out of several, and a section that becomes a site: what people are stays what it was. */
final class CarryingTest extends TestCase
{
    use TestTrait;

    public function testWhoeverWasInOneSiteIsInItsSectionOfTheOther(): void
    {
        [$stays, $goes] = self::worlds();
        $goes->apply('learner0', Verb::LetIn, 'learner', new Window($goes->now, 5_000));
        $carried = self::join($stays, $goes, 'learner0');
        self::assertSame(['learner', ['goes'], 5_000], self::said($stays->enrollment('learner0'), $stays->now));
        self::assertNull(self::now($goes, 'learner0'));
        self::assertSame([], $carried->cautions);
    }

    public function testWhoeverIsInBothIsOneAndInBothSections(): void
    {
        [$stays, $goes] = self::worlds();
        self::in($stays, 'learner0', 'stays');
        $goes->apply('learner0', Verb::LetIn, 'learner');
        self::join($stays, $goes, 'learner0');
        self::assertSame(['goes', 'stays'], self::now($stays, 'learner0')?->sections);
        self::assertSame(['learner'], self::now($stays, 'learner0')->roles);
    }

    #[TestWith(['learner'])]
    #[TestWith(['day-guest'])]
    public function testDifferentRolesAreForSomebodyToChooseFrom(string $role): void
    {
        [$stays, $goes] = self::worlds();
        self::in($stays, 'learner0', 'stays');
        $goes->apply('learner0', Verb::LetIn, 'day-guest');
        self::assertSame(['learner', 'day-guest'], self::join($stays, $goes, 'learner0')->between);
        self::assertSame(['learner', 'day-guest'], self::join($stays, $goes, 'learner0', 'lead-tutor')->between);
        self::join($stays, $goes, 'learner0', $role);
        self::assertSame([[$role], ['goes', 'stays']], [
            self::now($stays, 'learner0')?->roles,
            self::now($stays, 'learner0')?->sections,
        ]);
    }

    public function testAPauseADateAndABlockGoAlongWhereNothingElseHolds(): void
    {
        [$stays, $goes] = self::worlds();
        foreach (['learner0', 'learner1', 'learner2', 'learner3'] as $person) {
            $goes->apply($person, Verb::LetIn, 'learner');
        }
        $goes->apply('learner0', Verb::Pause);
        $goes->apply('learner1', Verb::Block);
        $goes->apply('learner2', Verb::Block);
        $goes->apply('learner3', Verb::Pause);
        self::in($stays, 'learner2', 'stays');
        self::in($stays, 'learner3', 'stays');
        $notes = array_map(
            static fn(string $person): array => array_column(self::join($stays, $goes, $person)->cautions, 'code'),
            ['learner0', 'learner1', 'learner2', 'learner3'],
        );
        self::assertSame([[], [], ['block-stays-behind'], ['pause-stays-behind']], $notes);
        self::assertSame(
            [State::Paused, State::Blocked, State::Current, State::Current],
            array_map(
                static fn(int $n): ?State => self::now($stays, 'learner'.$n)?->state,
                range(0, 3),
            ),
        );
    }

    public function testWhoeverIsKeptOutOfTheSiteThatStaysIsKeptOut(): void
    {
        [$stays, $goes] = self::worlds();
        $stays->apply('learner0', Verb::Block);
        $goes->apply('learner0', Verb::LetIn, 'learner');
        self::assertSame(['stays-blocked'], array_column(self::join($stays, $goes, 'learner0')->cautions, 'code'));
        self::assertSame(State::Blocked, self::now($stays, 'learner0')?->state);
    }

    /** Who leads both gives nobody there what they may not give, nor themselves more. */
    public function testMakingSitesOneGivesNobodyWhatTheActorMayNotGive(): void
    {
        [$stays, $goes] = self::worlds();
        $stays->apply('staff1', Verb::LetIn, 'co-tutor');
        $goes->apply('staff1', Verb::LetIn, 'lead-tutor');
        $goes->apply('staff2', Verb::LetIn, 'lead-tutor');
        $judged = static fn(string $person, ?string $role = null): ?string => self::line(
            $stays,
            $goes,
            $person,
            'staff1',
            $role,
        )->reasons[0]->code ?? null;
        self::assertSame('which-role', $judged('staff1'));
        self::assertSame('not-to-yourself', $judged('staff1', 'lead-tutor'));
        self::assertSame('not-yours-to-give', $judged('staff2'));
        self::assertSame(Verdict::Ready, self::line($stays, $goes, 'staff2', 'admin')->verdict);
    }

    /** A site of one's own, where others are blocked or less, is no way to take from them what one may not take. */
    public function testNobodyLosesByItWhatIsNotTheActorsToTake(): void
    {
        [$stays, $goes] = self::worlds();
        $goes->apply('staff1', Verb::LetIn, 'co-tutor');
        $goes->apply('staff2', Verb::LetIn, 'lead-tutor');
        $goes->apply('staff3', Verb::LetIn, 'lead-tutor');
        $goes->apply('learner0', Verb::LetIn, 'learner');
        $stays->apply('staff2', Verb::Block);
        $stays->apply('staff3', Verb::LetIn, 'co-tutor');
        $judged = static function (string $person, string $actor, ?string $role = null) use ($stays, $goes): ?string {
            $carried = (new Carrying($stays, $stays->roles, $stays->now, $actor))->join(
                $stays->enrollment($person),
                $goes->enrollment($person),
                new CarryMap('staff', [], [], 'goes'),
                $role,
            );
            $after = Effect::applied($carried->into, $stays->enrollment($person))->timeline();
            $line = (new LineComputer($goes))->carryOut($goes->context($person, $actor), $carried, $after);

            return $line->reasons[0]->code ?? null;
        };
        self::assertSame('not-yours-to-take', $judged('staff2', 'staff1'), 'who is blocked there');
        self::assertSame('not-yours-to-take', $judged('staff3', 'staff1', 'co-tutor'), 'who becomes less');
        self::assertNull($judged('learner0', 'staff1'), 'who is there what they were here');
        self::assertNull($judged('staff2', 'admin'));
    }

    public function testWhoeverIsInASectionThatGoesAndInAnotherIsInBothSites(): void
    {
        [$stays] = self::worlds();
        self::in($stays, 'learner0', 'stays');
        $stays->does('learner0', new Wanted(Verb::ChangeSections, sections: ['goes', 'stays']));
        $carried = (new Carrying($stays, $stays->roles, $stays->now, 'admin'))->split(
            $stays->enrollment('learner0'),
            ['goes'],
            new CarryMap('staff', [], ['goes' => null]),
        );
        $there = Effect::applied($carried->into, new Enrollment())->timeline()->at($stays->now);
        $here = Effect::applied($carried->outOf, $stays->enrollment('learner0'))->timeline()->at($stays->now);
        self::assertSame([['learner'], []], [$there?->roles, $there?->sections]);
        self::assertSame([['learner'], ['stays']], [$here?->roles, $here?->sections]);
    }

    /** A role and a pause that are set by hand go along, also where somebody stays in another section. */
    public function testWhatIsSetByHandGoesAlongIntoASiteOfItsOwn(): void
    {
        [$stays, $goes] = self::worlds();
        $stays->does('staff1', new Wanted(Verb::LetIn, 'co-tutor', section: 'stays'));
        $goes->apply('staff1', Verb::LetIn, 'class-assistant');
        $goes->apply('staff1', Verb::ChangeRole, 'co-tutor');
        self::join($stays, $goes, 'staff1');
        $stays->apply('staff1', Verb::Pause);
        $carried = (new Carrying($stays, $stays->roles, $stays->now, 'admin'))->split(
            $stays->enrollment('staff1'),
            ['goes'],
            new CarryMap('staff', [], ['goes' => null]),
        );
        $there = Effect::applied($carried->into, new Enrollment())->timeline()->at($stays->now);
        self::assertSame([['co-tutor'], State::Paused], [$there?->roles, $there?->state]);
    }

    public function testSeveralSitesAtOnceAreOneAfterTheOther(): void
    {
        [$stays, $goes] = self::worlds();
        $third = self::worlds()[1];
        foreach ([$stays, $goes, $third] as $world) {
            $world->apply('learner0', Verb::LetIn, 'learner');
        }
        $carrying = new Carrying($stays, $stays->roles, $stays->now, 'admin');
        [$come, $leave] = $carrying->joinAll($stays->enrollment('learner0'), 'stays', [
            'second' => [$goes->enrollment('learner0'), new CarryMap('staff', [], [], 'goes')],
            'third' => [$third->enrollment('learner0'), new CarryMap('staff', [], [], 'third')],
        ]);
        $after = Effect::applied($come->into, $stays->enrollment('learner0'));
        self::assertSame(['goes', 'stays', 'third'], $after->timeline()->at($stays->now)?->sections);
        self::assertCount(1, $after->overrides, 'what is put on and taken off at once is not kept');
        self::assertSame(['second', 'third'], array_keys($leave));
    }

    /** From then on everybody is in the section what they were in the site, and nothing in the site. */
    public function testWhatPeopleAreGoesAlongWhole(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            [$stays, $goes] = self::worlds();
            self::play($goes, $dice);
            $stays->now = $goes->now;
            foreach (array_keys($goes->enrollments) as $person) {
                $before = $goes->enrollment($person)->timeline()->from($goes->now);
                self::join($stays, $goes, $person);
                self::assertSame(
                    self::told($before, static fn(array $all): array => $all ?: ['goes']),
                    self::told(self::left($stays, $person)),
                );
                self::assertFalse(self::isHere(self::left($goes, $person), $goes->now));
            }
        });
    }

    /** Sites made one and divided again have the people they had, also those who were in both. */
    public function testMakingOneAndTakingOutAgainGivesTheRostersAsBefore(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            [$stays, $goes] = self::worlds();
            self::play($stays, $dice);
            self::play($goes, $dice);
            $carrying = new Carrying($stays, $stays->roles, $stays->now, 'admin');
            foreach (array_keys($stays->people) as $person) {
                $own = $stays->enrollment($person);
                $stays->enrollments[$person] = Effect::applied($carrying->place($own, 'stays'), $own);
                $first = self::left($stays, $person);
                $other = self::left($goes, $person);
                if (null !== self::join($stays, $goes, $person)->between) {
                    continue;
                }
                $again = $carrying->split(
                    $stays->enrollment($person),
                    ['goes'],
                    new CarryMap('staff', [], ['goes' => null]),
                );
                $there = Effect::applied($again->into, new Enrollment())->timeline()->from($stays->now);
                $here = Effect::applied($again->outOf, $stays->enrollment($person))->timeline()->from($stays->now);
                $blocked = State::Blocked === $first->at($stays->now)?->state;
                if (self::isHere($other, $stays->now) && !$blocked) {
                    self::assertSame(self::roles($other, $stays->now), self::roles($there, $stays->now));
                }
                if (self::isHere($other, $stays->now) && !$blocked && !self::isHere($first, $stays->now)) {
                    self::assertSame(self::told($other->from($stays->now)), self::told($there), 'there as before');
                }
                if (self::isHere($first, $stays->now)) {
                    self::assertSame(self::told($first->from($stays->now)), self::told($here), 'here as before');
                } elseif (!$blocked) {
                    self::assertFalse(self::isHere($here, $stays->now), 'and nobody here who was not');
                }
            }
        });
    }

    /** Taking the lines back gives what was, in either site. */
    public function testAllOfItIsTakenBack(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            [$stays, $goes] = self::worlds();
            self::play($stays, $dice);
            self::play($goes, $dice);
            $person = $dice->one(['staff1', 'learner0', 'learner1', 'learner2']);
            $was = [self::left($stays, $person), self::left($goes, $person)];
            $carried = self::join($stays, $goes, $person, $dice->one([null, 'learner', 'co-tutor']));
            $goes->now = ++$stays->now;
            $stays->undo($person, $carried->into);
            $goes->undo($person, $carried->outOf);
            self::assertSame(self::told($was[0]->from($stays->now)), self::told(self::left($stays, $person)));
            self::assertSame(self::told($was[1]->from($goes->now)), self::told(self::left($goes, $person)));
        });
    }

    private static function join(World $stays, World $goes, string $person, ?string $role = null): Carried
    {
        $carried = (new Carrying($stays, $stays->roles, $stays->now, 'admin'))->join(
            $stays->enrollment($person),
            $goes->enrollment($person),
            new CarryMap('staff', [], [], 'goes'),
            $role,
        );
        $stays->enrollments[$person] = Effect::applied($carried->into, $stays->enrollment($person));
        if (null === $carried->between) {
            $goes->enrollments[$person] = Effect::applied($carried->outOf, $goes->enrollment($person));
        }

        return $carried;
    }

    private static function line(
        World $stays,
        World $goes,
        string $person,
        string $actor,
        ?string $role = null,
    ): ComputedChange {
        $carried = (new Carrying($stays, $stays->roles, $stays->now, $actor))->join(
            $stays->enrollment($person),
            $goes->enrollment($person),
            new CarryMap('staff', [], [], 'goes'),
            $role,
        );

        return (new LineComputer($stays))->carryIn($stays->context($person, $actor), $carried);
    }

    private static function play(World $world, Dice $dice): void
    {
        for ($step = 0; $step < 12; ++$step) {
            $person = $dice->one(['staff1', 'learner0', 'learner1', 'learner2']);
            $until = $dice->chance(40) ? $world->now + 2 + $dice->below(20) : Time::FOREVER;
            $window = new Window($world->now + ($dice->chance(30) ? $dice->below(2) : 0), $until);
            $verb = $dice->one([
                Verb::LetIn,
                Verb::LetIn,
                Verb::LetIn,
                Verb::Remove,
                Verb::BringBack,
                Verb::Pause,
                Verb::Resume,
                Verb::ChangeDates,
                Verb::ChangeRole,
                Verb::Block,
                Verb::Unblock,
            ]);
            $role = str_starts_with($person, 's') ? $dice->one(['co-tutor', 'class-assistant']) : 'learner';
            $asks = Verb::LetIn === $verb && $dice->chance(20);
            $world->apply($person, $verb, $role, $window, asks: $asks);
            $world->now += $dice->below(3);
        }
        $world->now = 1_050;
    }

    /** @return array{World, World} that stays, with a section for either; that goes */
    private static function worlds(): array
    {
        $sections = ['goes' => new Section('goes'), 'stays' => new Section('stays')];
        $stays = World::withPeople(new Site('t', 'seniors', opensAt: 0, sections: $sections, several: true));
        $goes = World::withPeople(new Site('s', 'seniors', opensAt: 0));
        $goes->enrollments = [];

        return [$stays, $goes];
    }

    private static function in(World $world, string $person, string $section): void
    {
        $world->does($person, new Wanted(Verb::LetIn, 'learner', section: $section));
    }

    private static function now(World $world, string $person): ?Segment
    {
        return $world->enrollment($person)->timeline()->at($world->now);
    }

    private static function left(World $world, string $person): Timeline
    {
        return $world->enrollment($person)->timeline()->from($world->now);
    }

    private static function isHere(Timeline $timeline, int $now): bool
    {
        return true === $timeline->at($now)?->state->here();
    }

    /** @return list<string> */
    private static function roles(Timeline $timeline, int $now): array
    {
        return $timeline->at($now)->roles ?? [];
    }

    /** @return array{string, list<string>, int} */
    private static function said(Enrollment $enrollment, int $now): array
    {
        $segment = $enrollment->timeline()->at($now);

        return [implode(' ', $segment->roles ?? []), $segment->sections ?? [], $segment->window->until ?? 0];
    }

    /**
     * @param ?callable(list<string>): list<string> $sections
     *
     * @return list<array<int, mixed>>
     */
    private static function told(Timeline $timeline, ?callable $sections = null): array
    {
        return array_map(
            static fn(Segment $each): array => [
                $each->window->from,
                $each->window->until,
                $each->state->value,
                $each->roles,
                $each->holdsSeat,
                $each->since,
                null === $sections || [] === $each->roles ? $each->sections : $sections($each->sections),
            ],
            $timeline->segments,
        );
    }
}
