<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Changes;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Changes\ChangeListComputer;
use MintDoor\Core\Changes\ChangeListContext;
use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\LineComputer;
use MintDoor\Core\Changes\LineWanted;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Changes\Wanted;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Leads;
use MintDoor\Core\Roster\LeadTimeline;
use MintDoor\Core\Roster\Sight;
use MintDoor\Core\Sites\Section;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;
use MintDoor\Tests\Core\World;
use PHPUnit\Framework\TestCase;

/** Putting people into sections: what may be, and what no history of changes breaks. */
final class SectionsTest extends TestCase
{
    use TestTrait;

    private const SEATS = 2;

    public function testSomebodyIsPutInMovedAndTakenOut(): void
    {
        $world = self::world();
        self::assertSame(['morning'], self::put($world, 'learner0', 'morning')->after?->sections);
        self::assertSame(['evening'], self::put($world, 'learner0', 'evening')->after?->sections);
        self::assertSame(Verdict::NothingToDo, self::put($world, 'learner0', 'evening')->verdict);
        self::assertSame([], self::into($world, 'learner0', [])->after?->sections);
    }

    public function testWhereTheSiteSaysSoSomebodyIsInSeveral(): void
    {
        $world = self::world(several: true);
        self::put($world, 'learner0', 'morning');
        self::assertSame(['evening', 'morning'], self::put($world, 'learner0', 'evening')->after?->sections);
        $one = self::world();
        self::assertSame('one-section', self::reason(self::into($one, 'learner0', ['morning', 'evening'])));
    }

    public function testWhatIsSetByHandHoldsOverWhatDoorsBringLaterUntilItIsLifted(): void
    {
        $world = self::world();
        self::put($world, 'learner0', 'evening');
        ++$world->now;
        $grant = new Grant('k', 'key', DoorKind::Key, 'learner', $world->now, new Window($world->now), 0, 'morning');
        $world->enrollments['learner0'] = new Enrollment(
            [...$world->enrollment('learner0')->grants, $grant],
            $world->enrollment('learner0')->overrides,
        );
        self::assertSame(['evening'], $world->enrollment('learner0')->timeline()->at($world->now)?->sections);
        self::assertSame(['morning'], $world->does('learner0', new Wanted(Verb::ClearSections))->after?->sections);
    }

    public function testNobodyIsPutIntoWhatIsNotThereOrRetired(): void
    {
        $world = self::world();
        self::assertSame('no-such-section', self::reason(self::put($world, 'learner0', 'nowhere')));
        self::assertSame('no-such-section', self::reason(self::put($world, 'learner0', 'once')));
        $let = $world->does('learner5', new Wanted(Verb::LetIn, 'learner', section: 'once'));
        self::assertSame('no-such-section', self::reason($let));
    }

    public function testComingBackFromARetiredSectionIsIntoNone(): void
    {
        $world = self::world();
        self::put($world, 'learner0', 'morning');
        $world->does('learner0', new Wanted(Verb::Remove));
        ++$world->now;
        $sections = ['morning' => new Section('morning', retired: true)] + World::sections();
        $world->site = new Site('s', 'seniors', opensAt: 0, sections: $sections);
        $line = $world->does('learner0', new Wanted(Verb::BringBack));
        self::assertSame([Verdict::Ready, []], [$line->verdict, $line->after?->sections]);
        self::assertContains('section-retired', array_column($line->cautions, 'code'));
    }

    public function testAFullSectionTakesNobodyButStaff(): void
    {
        $world = self::world(seats: self::SEATS);
        self::put($world, 'learner0', 'morning');
        self::put($world, 'learner1', 'morning');
        self::assertSame(Verdict::WaitsForSeat, self::put($world, 'learner2', 'morning')->verdict);
        $staff = $world->does('staff1', new Wanted(Verb::LetIn, 'co-tutor', section: 'morning'));
        self::assertSame(Verdict::Ready, $staff->verdict);
        self::put($world, 'learner1', 'evening');
        self::assertSame(Verdict::Ready, self::put($world, 'learner2', 'morning')->verdict);
    }

    public function testTwoChangePlacesInFullSectionsAndAThirdOneDoesNotFit(): void
    {
        $world = self::world(seats: self::SEATS);
        foreach (['morning', 'morning', 'evening', 'evening'] as $n => $where) {
            self::put($world, 'learner'.$n, $where);
        }
        $lines = self::list($world, [
            ['learner4', 'morning'],
            ['learner0', 'evening'],
            ['learner2', 'morning'],
        ]);
        self::assertSame([Verdict::WaitsForSeat, Verdict::Ready, Verdict::Ready], array_column($lines, 'verdict'));
    }

    public function testWhoIsKeptToASectionArrangesNobodyElse(): void
    {
        $world = self::world(apart: true);
        $world->does('staff1', new Wanted(Verb::LetIn, 'co-tutor', section: 'morning'));
        self::put($world, 'learner0', 'morning');
        self::put($world, 'learner1', 'evening');
        $by = static fn(string $who, Verb $verb, ?string $section = null): ?string => self::reason(
            $world->does($who, new Wanted($verb, section: $section), 'staff1'),
        );
        self::assertSame('other-section', $by('learner1', Verb::Remove));
        self::assertSame('other-section', $by('learner1', Verb::PutInSection, 'morning'));
        self::assertSame('other-section', $by('learner2', Verb::PutInSection, 'morning'), 'nor who is in none');
        self::assertSame('other-section', $by('learner0', Verb::PutInSection, 'evening'));
        self::assertSame('not-your-own-section', $by('staff1', Verb::PutInSection, 'evening'));
        $let = $world->does('learner5', new Wanted(Verb::LetIn), 'staff1');
        self::assertSame(['morning'], $let->after?->sections, 'whom they let in comes into their section');
        self::assertNull($by('learner0', Verb::Pause));
        self::assertNull($by('learner0', Verb::Remove));
    }

    public function testWhoWorksInSeveralSectionsBecomesALearnerOfOne(): void
    {
        $world = self::world();
        $world->people['learner0'] = new Person('learner0', PersonKind::Learner, 'seniors', 9);
        $world->does('learner0', new Wanted(Verb::ChangeRole, 'class-assistant'));
        self::into($world, 'learner0', ['morning', 'evening']);
        $learns = new Wanted(Verb::ChangeRole, 'learner');
        self::assertSame('one-section', self::reason($world->does('learner0', $learns)));
        self::into($world, 'learner0', ['morning']);
        self::assertSame(Verdict::Ready, $world->does('learner0', $learns)->verdict);
    }

    public function testAssistantsDoNotArrange(): void
    {
        $world = self::world();
        $world->does('staff1', new Wanted(Verb::LetIn, 'class-assistant'));
        $line = $world->does('learner0', new Wanted(Verb::PutInSection, section: 'morning'), 'staff1');
        self::assertSame('not-yours-to-do', self::reason($line));
        $lead = $world->does('staff0', new Wanted(Verb::PutInSection, section: 'morning'), 'staff0');
        self::assertSame(Verdict::Ready, $lead->verdict, 'a lead sees all in any section');
    }

    /** No history of changes, by anybody, in any order. */
    public function testNoHistoryBreaksALaw(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $world = self::world(seats: self::SEATS, several: $dice->chance(50), apart: true);
            for ($step = 0; $step < 30; ++$step) {
                $world->now += $dice->below(3);
                [$person, $wanted] = self::random($dice);
                $actor = $dice->one(['admin', 'staff0', 'staff1', 'staff2']);
                $before = $world->enrollment($person)->timeline()->at($world->now);
                $sight = Sight::of($world->context($person, $actor)->actor);
                $line = $world->does($person, $wanted, $actor);
                if (Verdict::Ready === $line->verdict && $person !== $actor) {
                    self::assertTrue($sight->sees($person, $before, $world->roles), 'only whom they see');
                    $here = true === $line->after?->state->here();
                    self::assertTrue(!$here || $sight->sees($person, $line->after, $world->roles), 'and still see');
                }
                if ($dice->chance(30)) {
                    $world->undo($person, $line->effects, $actor);
                }
                foreach ($world->enrollments as $enrollment) {
                    foreach ($enrollment->timeline()->from($world->now)->segments as $segment) {
                        $learns = $world->roles->takeSeat($segment->roles) && $segment->state->here();
                        $most = $learns && !$world->site->several ? 1 : Section::MOST_OF_ONE;
                        self::assertLessThanOrEqual($most, \count($segment->sections));
                    }
                }
                foreach (array_keys($world->site->sections) as $section) {
                    self::assertLessThanOrEqual(self::SEATS, $world->sectionsHeld()->of($section)->most());
                }
            }
        });
    }

    public function testUndoingGivesBackTheSections(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $world = self::world(several: true);
            for ($step = 0; $step < 10; ++$step) {
                [$person, $wanted] = self::random($dice);
                $world->does($person, $wanted);
                ++$world->now;
            }
            [$person, $wanted] = self::random($dice);
            $before = $world->enrollment($person)->timeline();
            $line = $world->does($person, $wanted);
            $world->now += $dice->below(2);
            if (Verdict::Ready === $line->verdict) {
                $world->undo($person, $line->effects);
                $after = $world->enrollment($person)->timeline();
                self::assertTrue($after->from($world->now)->equals($before->from($world->now)));
            }
        });
    }

    /** A list puts no more people into a section than it has seats, whatever the order of its lines. */
    public function testNoListOverfillsASectionAndItsOrderDecidesOnlyWho(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $world = self::world(seats: self::SEATS);
            for ($n = 0; $n < 5; ++$n) {
                self::into($world, 'learner'.$n, $dice->one([[], ['morning'], ['evening'], ['noon']]));
            }
            $wanted = [];
            for ($n = 0; $n < 5; ++$n) {
                $wanted[] = ['learner'.$n, $dice->one(['morning', 'evening', 'noon'])];
            }
            $in = array_count_values(array_column($wanted, 1));
            $lines = self::list($world, $wanted);
            foreach ($lines as $n => $line) {
                $world->enrollments[$wanted[$n][0]] = $line->result;
            }
            foreach (['morning', 'evening', 'noon'] as $section) {
                self::assertLessThanOrEqual(self::SEATS, $world->sectionsHeld()->of($section)->most());
            }
            if (max($in) <= self::SEATS) {
                $verdicts = array_unique(array_map(static fn($line): string => $line->verdict->value, $lines));
                self::assertSame([], array_diff($verdicts, ['ready', 'nothing-to-do']), 'what fits together goes');
            }
        });
    }

    /**
     * @param list<array{string, string}> $wanted who, into which section
     *
     * @return array<int, ComputedChange>
     */
    private static function list(World $world, array $wanted): array
    {
        $lead = $world->enrollment('staff0')->timeline();
        $context = new ChangeListContext(
            $world->now,
            $world->site,
            $world->roles,
            $world->context('learner0')->actor,
            $world->people,
            $world->enrollments,
            $world->seats(),
            (new Leads($world->roles))->counts($lead, $world->now) ? ['staff0' => new LeadTimeline($lead, 9_999)] : [],
            'staff',
            $world->sectionsHeld(),
        );

        return (new ChangeListComputer(new LineComputer($world)))->compute($context, array_map(
            static fn(array $each): LineWanted => new LineWanted(
                $each[0],
                new Wanted(Verb::PutInSection, section: $each[1]),
            ),
            $wanted,
        ));
    }

    /** @return array{string, Wanted} */
    private static function random(Dice $dice): array
    {
        $person = $dice->one(['staff1', 'staff2', 'learner0', 'learner1', 'learner2', 'learner3', 'learner4']);
        $verb = $dice->one([
            Verb::ChangeSections,
            Verb::PutInSection,
            Verb::PutInSection,
            Verb::ClearSections,
            Verb::LetIn,
            Verb::LetIn,
            Verb::Remove,
            Verb::BringBack,
            Verb::Pause,
            Verb::Resume,
        ]);
        $section = $dice->one([null, 'morning', 'evening', 'noon']);
        $sections = $dice->one([[], ['morning'], ['evening'], ['evening', 'noon'], ['once']]);
        $role = str_starts_with($person, 's') ? $dice->one(['co-tutor', 'class-assistant']) : 'learner';

        return [
            $person,
            new Wanted($verb, Verb::LetIn === $verb ? $role : null, section: $section, sections: $sections),
        ];
    }

    private static function world(?int $seats = null, bool $several = false, bool $apart = false): World
    {
        $sections = World::sections($seats);
        $world = World::withPeople(
            new Site('s', 'seniors', opensAt: 0, sections: $sections, apart: $apart, several: $several),
        );
        for ($n = 0; $n < 5; ++$n) {
            $world->apply('learner'.$n, Verb::LetIn, 'learner');
        }
        ++$world->now;

        return $world;
    }

    private static function put(World $world, string $person, string $section): ComputedChange
    {
        return $world->does($person, new Wanted(Verb::PutInSection, section: $section));
    }

    /** @param list<string> $sections */
    private static function into(World $world, string $person, array $sections): ComputedChange
    {
        return $world->does($person, new Wanted(Verb::ChangeSections, sections: $sections));
    }

    private static function reason(ComputedChange $line): ?string
    {
        return $line->reasons[0]->code ?? null;
    }
}
