<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Plans;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Plans\Fairest;
use MintDoor\Core\Plans\Lot;
use MintDoor\Core\Plans\Plan;
use MintDoor\Core\Plans\PlanPerson;
use MintDoor\Core\Plans\PlanSection;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\TestCase;

/** Places given out by wishes: held against every way there is, where there are few. */
final class FairestTest extends TestCase
{
    use TestTrait;

    public function testNoOtherWayIsBetterForTheWorstOffAndThenTheNext(): void
    {
        $this->each(static function (array $people, array $sections, Plan $plan): void {
            $best = null;
            foreach (self::ways($people, $sections) as $way) {
                $best = null === $best ? $way : min($best, $way);
            }
            self::assertSame($best, self::counts($people, $plan->places));
        });
    }

    public function testNobodyIsWhereTheyCannotBeAndNoSectionHasMoreThanItsPlaces(): void
    {
        $this->each(static function (array $people, array $sections, Plan $plan): void {
            foreach ($people as $person) {
                $at = $plan->places[$person->id] ?? null;
                self::assertNotContains($at, $person->cannot);
                self::assertSame(null === $at, \in_array($person->id, $plan->unplaced, true));
            }
            $held = array_count_values($plan->places);
            foreach ($sections as $section) {
                self::assertLessThanOrEqual($section->places, $held[$section->id] ?? 0);
            }
        });
    }

    public function testNoTwoWouldBothGainByChangingPlaces(): void
    {
        $this->each(static function (array $people, array $sections, Plan $plan): void {
            $rank = static fn(PlanPerson $person, ?string $at): int => null === $at
                ? \PHP_INT_MAX
                : $person->rank($at) ?? \PHP_INT_MAX;
            foreach ($people as $n => $one) {
                foreach (\array_slice($people, $n + 1) as $other) {
                    [$a, $b] = [$plan->places[$one->id] ?? null, $plan->places[$other->id] ?? null];
                    self::assertFalse($rank($one, $b) < $rank($one, $a) && $rank($other, $a) < $rank($other, $b));
                }
            }
        });
    }

    public function testTheSameSeedGivesTheSameWhateverTheOrder(): void
    {
        $this->each(static function (array $people, array $sections, Plan $plan): void {
            $again = Fairest::plan(array_reverse($people), array_reverse($sections), new Lot('seed'));
            self::assertEquals($plan, $again);
        });
    }

    public function testALotDecidesAmongEquals(): void
    {
        $people = [new PlanPerson('ada', ['s']), new PlanPerson('bo', ['s'])];
        $won = [];
        for ($n = 0; $n < 40; ++$n) {
            $plan = Fairest::plan($people, [new PlanSection('s', 1)], new Lot("seed $n"));
            $won[(string) array_key_first($plan->places)] = true;
        }
        self::assertCount(2, $won);
    }

    public function testStoppedBeforeItsEndItIsAPlanAllTheSame(): void
    {
        $told = [];
        $people = array_map(static fn(int $n): PlanPerson => new PlanPerson("p$n", ['b', 'a']), range(1, 9));
        $sections = [new PlanSection('a', 4), new PlanSection('b', 4)];
        $plan = Fairest::plan($people, $sections, new Lot('seed'), static function (int $done, int $of) use (&$told) {
            $told[] = [$done, $of];

            return \count($told) < 2;
        });
        self::assertFalse($plan->proven);
        self::assertCount(8, $plan->places);
        self::assertCount(2, $told);
        self::assertSame(3, $told[0][1]);
        self::assertTrue(Fairest::plan($people, $sections, new Lot('seed'), static fn(): bool => true)->proven);
    }

    public function testManyAreGivenPlaces(): void
    {
        $dice = new Dice(7);
        $sections = array_map(static fn(int $n): PlanSection => new PlanSection("s$n", 50), range(0, 39));
        $people = [];
        for ($n = 0; $n < 1_900; ++$n) {
            $wishes = $dice->some(array_map(static fn(PlanSection $each): string => $each->id, $sections), 5);
            $people[] = new PlanPerson("p$n", $wishes, $dice->some(['s1', 's2', 's3', 's4'], $dice->below(3)));
        }
        $plan = Fairest::plan($people, $sections, new Lot('many'));
        self::assertSame([], $plan->unplaced);
        self::assertLessThanOrEqual(50, max([0, ...array_values(array_count_values($plan->places))]));
    }

    /** @param \Closure(list<PlanPerson>, list<PlanSection>, Plan): void $then */
    private function each(\Closure $then): void
    {
        $this
            ->forAll(Generators::choose(0, 1_000_000))
            ->then(static function (int $seed) use ($then): void {
                $dice = new Dice($seed);
                $ids = ['a', 'b', 'c', 'd'];
                $sections = array_map(
                    static fn(string $id): PlanSection => new PlanSection($id, $dice->below(3)),
                    $ids,
                );
                $people = [];
                for ($n = $dice->between(1, 6); $n > 0; --$n) {
                    $people[] = new PlanPerson(
                        "p$n",
                        $dice->some($ids, $dice->below(4)),
                        $dice->some($ids, $dice->chance(30) ? 2 : 0),
                        $dice->chance(20),
                    );
                }
                $then($people, $sections, Fairest::plan($people, $sections, new Lot('seed')));
            });
    }

    /**
     * How many who had a place find none, how many find none at all, and how many get each rank, the last one first:
     * less is better at the first difference.
     *
     * @param list<PlanPerson>      $people
     * @param array<string, string> $places
     *
     * @return list<int>
     */
    private static function counts(array $people, array $places): array
    {
        $counts = array_fill(0, 7, 0);
        $lost = 0;
        foreach ($people as $person) {
            $lost += (int) ($person->placed && !isset($places[$person->id]));
            $rank = isset($places[$person->id]) ? $person->rank($places[$person->id]) ?? 6 : 6;
            ++$counts[6 - $rank];
        }
        // The first wish is what is left.
        array_pop($counts);
        array_pop($counts);

        return [$lost, ...array_values($counts)];
    }

    /**
     * Every way there is.
     *
     * @param list<PlanPerson>      $people
     * @param list<PlanSection>     $sections
     * @param array<string, string> $places
     *
     * @return iterable<list<int>> as `counts()`
     */
    private static function ways(array $people, array $sections, array $places = [], int $n = 0): iterable
    {
        if (!isset($people[$n])) {
            yield self::counts($people, $places);

            return;
        }
        yield from self::ways($people, $sections, $places, $n + 1);
        $held = array_count_values($places);
        foreach ($sections as $section) {
            $free = ($held[$section->id] ?? 0) < $section->places;
            if ($free && null !== $people[$n]->rank($section->id)) {
                yield from self::ways($people, $sections, [...$places, $people[$n]->id => $section->id], $n + 1);
            }
        }
    }
}
