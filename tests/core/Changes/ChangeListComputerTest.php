<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Changes;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Changes\ChangeListComputer;
use MintDoor\Core\Changes\ChangeListContext;
use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\LineComputer;
use MintDoor\Core\Changes\LineToUndo;
use MintDoor\Core\Changes\LineWanted;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Changes\Wanted;
use MintDoor\Core\Roster\Leads;
use MintDoor\Core\Roster\LeadTimeline;
use MintDoor\Core\Sites\Site;
use MintDoor\Demo\Dice;
use MintDoor\Tests\Core\World;
use PHPUnit\Framework\TestCase;

final class ChangeListComputerTest extends TestCase
{
    use TestTrait;

    public function testSeatsAreGivenInLineOrder(): void
    {
        $world = self::world(seats: 2);
        $lines = self::compute($world, [
            ['learner3', Verb::LetIn, 'learner'],
            ['learner1', Verb::LetIn, 'learner'],
            ['learner2', Verb::LetIn, 'learner'],
        ]);
        self::assertSame(['ready', 'ready', 'waits-for-seat'], self::verdicts($lines));
    }

    public function testASeatThatALaterLineFreesIsGivenToo(): void
    {
        $world = self::world(seats: 1);
        $world->apply('learner0', Verb::LetIn, 'learner');
        self::assertSame(
            ['ready', 'ready'],
            self::verdicts(
                self::compute($world, [['learner1', Verb::LetIn, 'learner'], ['learner0', Verb::Remove, null]]),
            ),
        );
    }

    public function testALeadMayGoWhenAnotherLineMakesANewOneInWhateverOrder(): void
    {
        $lines = [['staff0', Verb::Remove, null], ['staff1', Verb::LetIn, 'lead-tutor']];
        foreach ([$lines, array_reverse($lines)] as $changeList) {
            self::assertSame(['ready', 'ready'], self::verdicts(self::compute(self::world(), $changeList)));
        }
        self::assertSame(['refused'], self::verdicts(self::compute(self::world(), [$lines[0]])));
    }

    public function testOnceMoreIsAsGoodAsOnceAndTwoThingsAreAskedAbout(): void
    {
        $once = ['learner0', Verb::LetIn, 'learner'];
        self::assertSame(
            ['ready', 'nothing-to-do', 'ready'],
            self::verdicts(self::compute(self::world(), [$once, $once, ['learner1', Verb::LetIn, 'learner']])),
        );
        self::assertSame(
            ['needs-choice', 'needs-choice', 'ready'],
            self::verdicts(
                self::compute(self::world(), [
                    $once,
                    ['learner0', Verb::LetIn, 'day-guest'],
                    ['learner1', Verb::LetIn, 'learner'],
                ]),
            ),
        );
    }

    public function testTheOrderOfLinesThatDoNotDependOnOneAnotherMakesNoDifference(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $world = self::world(seats: 50, leads: 20);
            $changeList = self::random($dice);
            $keys = $dice->some(array_keys($changeList), \count($changeList));
            $lines = self::compute($world, $changeList);
            $mixed = array_map(static fn(int $key): array => $changeList[$key], $keys);
            foreach (array_values(self::compute($world, $mixed)) as $place => $line) {
                self::assertSame($lines[$keys[$place]]->verdict, $line->verdict);
                self::assertTrue($lines[$keys[$place]]->timeline->equals($line->timeline));
            }
        });
    }

    public function testApplyingAnyListAndTakingItBackGivesTheRosterOfBefore(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $world = self::world(seats: 3, leads: 3);
            foreach (self::random($dice) as [$person, $verb, $role]) {
                $world->apply($person, $verb, $role);
            }
            $world->now += 5;
            $changeList = self::random($dice);
            $before = array_map(static fn($enrollment) => $enrollment->timeline(), $world->enrollments);
            $applied = [];
            foreach (self::compute($world, $changeList) as $key => $line) {
                if (Verdict::Ready === $line->verdict) {
                    $world->enrollments[$changeList[$key][0]] = $line->result;
                    $applied[$key] = new LineToUndo($changeList[$key][0], $line->effects);
                }
            }
            ++$world->now;
            foreach (
                (new ChangeListComputer(new LineComputer($world)))->undo(
                    self::context($world),
                    array_reverse($applied, true),
                ) as $key => $line
            ) {
                $was = ($before[$changeList[$key][0]] ?? new \MintDoor\Core\Roster\Timeline([]))->from($world->now);
                self::assertTrue(
                    $line->timeline->from($world->now)->equals($was),
                    $changeList[$key][1]->value.' '.$changeList[$key][0],
                );
            }
        });
    }

    public function testASummaryCountsWhoJoinsAndTheSeatsAfter(): void
    {
        $world = self::world(seats: 3);
        $world->apply('learner0', Verb::LetIn, 'learner');
        $context = self::context($world);
        $summary = \MintDoor\Core\Changes\Summary::of(
            self::compute($world, [
                ['learner0', Verb::Remove, null],
                ['learner1', Verb::LetIn, 'learner'],
                ['learner2', Verb::LetIn, 'learner'],
                ['learner3', Verb::LetIn, 'learner'],
                ['learner4', Verb::LetIn, 'learner'],
            ]),
            $context->site,
            $context->roles,
            $context->seats,
        );
        self::assertSame(
            [3, 1, 3, 1, 3],
            [$summary->joining, $summary->leaving, $summary->seats, $summary->held, $summary->after],
        );
        self::assertSame([4, 1], [$summary->verdicts['ready'], $summary->verdicts['waits-for-seat']]);
    }

    public function testNoListBreaksALawAndTheSecondTimeItDoesNothing(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $world = self::world(seats: 3, leads: 2);
            for ($round = 0; $round < 4; ++$round) {
                $changeList = [];
                for ($n = 0; $n < 8; ++$n) {
                    $person = $dice->one([
                        'staff0',
                        'staff1',
                        'staff2',
                        'learner0',
                        'learner1',
                        'learner2',
                        'learner3',
                        'learner4',
                    ]);
                    $verb = $dice->one([
                        Verb::LetIn,
                        Verb::ChangeRole,
                        Verb::Remove,
                        Verb::BringBack,
                        Verb::Pause,
                        Verb::Resume,
                        Verb::Block,
                        Verb::Unblock,
                    ]);
                    $role = \in_array($verb, [Verb::LetIn, Verb::ChangeRole], true)
                        ? $dice->one('s' === $person[0] ? ['lead-tutor', 'co-tutor'] : ['learner', 'day-guest'])
                        : null;
                    $changeList[$person] = [$person, $verb, $role];
                }
                $changeList = array_values($changeList);
                $lines = self::compute($world, $changeList);
                foreach ($lines as $key => $line) {
                    if (Verdict::Ready === $line->verdict) {
                        $world->enrollments[$changeList[$key][0]] = $line->result;
                    }
                }
                self::assertLessThanOrEqual(3, $world->seatsHeld(), 'seats');
                self::assertTrue(1 <= $world->leadsNow() && $world->leadsNow() <= 2, 'leads');
                // One line a person, each already so: nothing is left to do.
                foreach (self::compute($world, $changeList) as $key => $line) {
                    self::assertFalse(
                        Verdict::Ready === $lines[$key]->verdict && Verdict::Ready === $line->verdict,
                        'twice',
                    );
                }
                $world->now += $dice->below(3);
            }
        });
    }

    public function testUndoingAWholeListGivesTheRosterOfBefore(): void
    {
        $world = self::world(seats: 3);
        $world->apply('learner0', Verb::LetIn, 'learner');
        $before = array_map(static fn($enrollment) => $enrollment->timeline(), $world->enrollments);
        $changeList = [
            ['staff0', Verb::Remove, null],
            ['staff1', Verb::LetIn, 'lead-tutor'],
            ['learner0', Verb::ChangeRole, 'day-guest'],
            ['learner1', Verb::LetIn, 'learner'],
        ];
        $applied = [];
        foreach (self::compute($world, $changeList) as $key => $line) {
            $world->enrollments[$changeList[$key][0]] = $line->result;
            $applied[$key] = new LineToUndo($changeList[$key][0], $line->effects);
        }
        ++$world->now;
        $undone = (new ChangeListComputer(new LineComputer($world)))->undo(
            self::context($world),
            array_reverse($applied, true),
        );
        self::assertSame(
            [Verdict::Ready],
            array_values(
                array_unique(
                    array_map(static fn(ComputedChange $line): Verdict => $line->verdict, $undone),
                    \SORT_REGULAR
                ),
            ),
        );
        foreach (['staff0', 'staff1', 'learner0', 'learner1'] as $index => $person) {
            $expected = isset($before[$person])
                ? $before[$person]->from($world->now)
                : new \MintDoor\Core\Roster\Timeline([]);
            self::assertTrue($undone[$index]->timeline->from($world->now)->equals($expected), $person);
        }
    }

    /** @return list<array{string, Verb, ?string}> a line a person */
    private static function random(Dice $dice): array
    {
        $changeList = [];
        for ($n = 0; $n < 6; ++$n) {
            $person = $dice->one(['staff1', 'staff2', 'learner0', 'learner1', 'learner2', 'learner3', 'learner4']);
            $verb = $dice->one([
                Verb::LetIn,
                Verb::ChangeRole,
                Verb::Remove,
                Verb::BringBack,
                Verb::Pause,
                Verb::Block,
            ]);
            $changeList[$person] = [
                $person,
                $verb,
                \in_array($verb, [Verb::LetIn, Verb::ChangeRole], true)
                    ? $dice->one('s' === $person[0] ? ['lead-tutor', 'co-tutor'] : ['learner', 'day-guest'])
                    : null,
            ];
        }

        return array_values($changeList);
    }

    private static function world(?int $seats = null, int $leads = 10): World
    {
        return World::withPeople(new Site('s', 'seniors', null, $seats, $leads, opensAt: 0));
    }

    /**
     * @param list<array{string, Verb, ?string}> $changeList
     *
     * @return list<ComputedChange>
     */
    private static function compute(World $world, array $changeList): array
    {
        return array_values(
            (new ChangeListComputer(new LineComputer($world)))->compute(
                self::context($world),
                array_map(
                    static fn(array $line): LineWanted => new LineWanted($line[0], new Wanted($line[1], $line[2])),
                    $changeList
                ),
            ),
        );
    }

    private static function context(World $world): ChangeListContext
    {
        $leads = [];
        foreach ($world->enrollments as $person => $enrollment) {
            if ((new Leads($world->roles))->counts($enrollment->timeline(), $world->now)) {
                $leads[$person] = new LeadTimeline($enrollment->timeline(), $world->people[$person]->accountClosedFrom);
            }
        }

        return new ChangeListContext(
            $world->now,
            $world->site,
            $world->roles,
            $world->context('learner0')->actor,
            $world->people,
            $world->enrollments,
            $world->seats(),
            $leads,
            'staff',
            $world->sectionsHeld(),
        );
    }

    /**
     * @param list<ComputedChange> $lines
     *
     * @return list<string>
     */
    private static function verdicts(array $lines): array
    {
        return array_map(static fn(ComputedChange $line): string => $line->verdict->value, $lines);
    }
}
