<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Plans;

use MintDoor\Core\Plans\Balance;
use MintDoor\Core\Plans\Conditions;
use MintDoor\Core\Plans\Lot;
use MintDoor\Core\Plans\PlanPerson;
use MintDoor\Core\Plans\PlanSection;
use MintDoor\Core\Plans\Search;
use MintDoor\Core\Plans\Searched;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\TestCase;

/** Places where people are to be together or apart, and sections large enough and alike. */
final class SearchTest extends TestCase
{
    private const IDS = ['a', 'b', 'c'];

    /** The sum of squares of what was wished before, of every way there is. */
    public function testOfFewPeopleNoOtherWayThatKeepsAllIsBetter(): void
    {
        for ($seed = 1; $seed <= 24; ++$seed) {
            [$people, $sections, $stay, $conditions] = self::drawn(new Dice($seed));
            $found = Search::plan($people, $sections, $stay, [], $conditions, new Lot('seed'));
            $best = \PHP_INT_MAX;
            foreach (self::ways($people, $sections) as $way) {
                if (0 === $conditions->broken($way, $stay, self::all($people, $stay))) {
                    $best = min($best, self::cost($people, $way));
                }
            }
            self::assertSame($best, self::cost($people, $found->plan->places), "seed $seed");
            self::assertSame($best, $found->cost);
            self::assertKept($found, $people, $sections, $stay, $conditions);
        }
    }

    public function testOfManyAllConditionsAreKept(): void
    {
        $dice = new Dice(5);
        $ids = ['a', 'b', 'c', 'd', 'e'];
        $people = $levels = [];
        for ($n = 0; $n < 120; ++$n) {
            $people[] = new PlanPerson("p$n", $dice->some($ids, 3), $dice->some($ids, $dice->below(2)));
            $levels["p$n"] = (string) $dice->between(6, 8);
        }
        $sections = array_map(static fn(string $id): PlanSection => new PlanSection($id, 30), $ids);
        $conditions = new Conditions(
            [['p1', 'p2', 'p3'], ['p3', 'p4'], ['p10', 'p11']],
            [['p20', 'p21', 'p22'], ['p1', 'p30']],
            array_fill_keys($ids, 15),
            [new Balance($levels, 2)],
        );
        $found = Search::plan($people, $sections, [], [], $conditions, new Lot('many'));
        self::assertKept($found, $people, $sections, [], $conditions);
        self::assertSame([], $found->plan->unplaced);
        self::assertEquals(
            $found,
            Search::plan(array_reverse($people), $sections, [], [], $conditions, new Lot('many'))
        );
        $early = Search::plan($people, $sections, [], [], $conditions, new Lot('many'), static fn(): bool => false);
        self::assertKept($early, $people, $sections, [], $conditions);
    }

    /** The bound counts each of those who are together once, in every balance. */
    public function testTheBoundHoldsWhereThoseWhoAreTogetherAreOfSeveralKinds(): void
    {
        for ($seed = 1; $seed <= 20; ++$seed) {
            $dice = new Dice(500 + $seed);
            $people = $levels = $divisions = [];
            foreach (['p1', 'p2', 'p3', 'p4', 'p5', 'p6'] as $id) {
                $people[] = new PlanPerson($id, $dice->some(self::IDS, 2));
                $levels[$id] = $dice->one(['six', 'seven']);
                $divisions[$id] = $dice->one(['harbour', 'millrace']);
            }
            $sections = array_map(static fn(string $id): PlanSection => new PlanSection($id, 3), self::IDS);
            $alike = [new Balance($levels, 0), new Balance($divisions, 0)];
            $conditions = new Conditions([['p1', 'p2'], ['p3', 'p4']], [], [], $alike);
            $found = Search::plan($people, $sections, [], [], $conditions, new Lot('seed'));
            $best = \PHP_INT_MAX;
            foreach (self::ways($people, $sections) as $way) {
                if (0 === $conditions->broken($way, [], self::all($people, []))) {
                    $best = min($best, self::cost($people, $way));
                }
            }
            self::assertLessThanOrEqual($best, $found->bound, "seed $seed");
            self::assertSame($best, $found->cost, "seed $seed");
        }
    }

    public function testWhoIsToBeTogetherAndApartHasNoPlace(): void
    {
        $people = [new PlanPerson('ada'), new PlanPerson('bo'), new PlanPerson('cy')];
        $conditions = new Conditions([['ada', 'bo']], [['bo', 'ada']]);
        $found = Search::plan($people, [new PlanSection('a', 3)], [], [], $conditions, new Lot('seed'));
        self::assertSame(['ada', 'bo'], $found->plan->unplaced);
    }

    public function testWhoeverIsToBeWithSomebodyWhoStaysGoesThere(): void
    {
        $people = [new PlanPerson('ada', ['b']), new PlanPerson('bo', ['a'])];
        $sections = [new PlanSection('a', 3), new PlanSection('b', 3)];
        $conditions = new Conditions([['ada', 'cy']], [['bo', 'cy']]);
        $found = Search::plan($people, $sections, ['cy' => 'a'], [], $conditions, new Lot('seed'));
        self::assertSame(['ada' => 'a', 'bo' => 'b'], $found->plan->places);
        self::assertSame([2, 2, true], [$found->cost, $found->bound, $found->plan->proven]);
    }

    public function testWhoeverMovesOnlyToMakeRoomStaysWhereTheyCan(): void
    {
        $people = [new PlanPerson('ada', ['b'], placed: true), new PlanPerson('bo', ['a'], ['b'])];
        $sections = [new PlanSection('a', 2), new PlanSection('b', 2)];
        $there = ['ada' => 'a'];
        $found = Search::plan($people, $sections, [], $there, new Conditions(), new Lot('seed'));
        self::assertSame(['ada' => 'a', 'bo' => 'a'], $found->plan->places);
        $apart = new Conditions(apart: [['ada', 'bo']]);
        $found = Search::plan($people, $sections, [], $there, $apart, new Lot('seed'));
        self::assertSame(['ada' => 'b', 'bo' => 'a'], $found->plan->places);
    }

    public function testWithoutConditionsItIsTheFlow(): void
    {
        $people = array_map(static fn(int $n): PlanPerson => new PlanPerson("p$n", ['a', 'b']), range(1, 8));
        $sections = [new PlanSection('a', 4), new PlanSection('b', 4)];
        $found = Search::plan($people, $sections, [], [], new Conditions(), new Lot('seed'));
        self::assertSame([4, true], [$found->cost, $found->plan->proven]);
    }

    /**
     * @param list<PlanPerson>      $people
     * @param list<PlanSection>     $sections
     * @param array<string, string> $stay
     */
    private static function assertKept(
        Searched $found,
        array $people,
        array $sections,
        array $stay,
        Conditions $conditions,
    ): void {
        $places = $found->plan->places;
        $all = self::all($people, $stay);
        self::assertSame(0, $conditions->broken($places, $stay, $all));
        self::assertGreaterThanOrEqual($found->bound, $found->cost);
        $held = array_count_values($places);
        foreach ($sections as $section) {
            self::assertLessThanOrEqual($section->places, $held[$section->id] ?? 0);
        }
        foreach ($people as $person) {
            self::assertNotContains($places[$person->id] ?? '', $person->cannot);
            self::assertSame(!isset($places[$person->id]), \in_array($person->id, $found->plan->unplaced, true));
        }
    }

    /** @return array{list<PlanPerson>, list<PlanSection>, array<string, string>, Conditions} */
    private static function drawn(Dice $dice): array
    {
        $sections = array_map(
            static fn(string $id): PlanSection => new PlanSection($id, $dice->between(1, 4)),
            self::IDS
        );
        $people = $kinds = [];
        for ($n = $dice->between(3, 6); $n > 0; --$n) {
            $people[] = new PlanPerson(
                "p$n",
                $dice->some(self::IDS, $dice->below(4)),
                $dice->some(self::IDS, $dice->chance(30) ? 1 : 0),
            );
            $kinds["p$n"] = $dice->one(['six', 'seven']);
        }
        $stay = $dice->chance(50) ? ['s1' => 'a', 's2' => 'b'] : [];
        $names = [...array_map(static fn(PlanPerson $person): string => $person->id, $people), ...array_keys($stay)];

        return [
            $people,
            $sections,
            $stay,
            new Conditions(
                $dice->chance(60) ? [$dice->some($names, 2)] : [],
                $dice->chance(60) ? [$dice->some($names, 2)] : [],
                $dice->chance(50) ? ['a' => 2, 'c' => 3] : [],
                $dice->chance(50) ? [new Balance($kinds, 1)] : [],
            ),
        ];
    }

    /**
     * @param list<PlanPerson>      $people
     * @param array<string, string> $stay
     *
     * @return list<string>
     */
    private static function all(array $people, array $stay): array
    {
        return [...array_map(static fn(PlanPerson $person): string => $person->id, $people), ...array_keys($stay)];
    }

    /**
     * @param list<PlanPerson>      $people
     * @param array<string, string> $places
     */
    private static function cost(array $people, array $places): int
    {
        $worst = max(1, ...array_map(static fn(PlanPerson $person): int => 1 + \count($person->wishes), $people));
        $cost = 0;
        foreach ($people as $person) {
            $at = $places[$person->id] ?? null;
            $cost += null === $at ? 4 * $worst * $worst : ((int) $person->rank($at) - 1) ** 2;
        }

        return $cost;
    }

    /**
     * Every way there is.
     *
     * @param list<PlanPerson>      $people
     * @param list<PlanSection>     $sections
     * @param array<string, string> $places
     *
     * @return iterable<array<string, string>> sections by person
     */
    private static function ways(array $people, array $sections, array $places = [], int $n = 0): iterable
    {
        if (!isset($people[$n])) {
            yield $places;

            return;
        }
        yield from self::ways($people, $sections, $places, $n + 1);
        $held = array_count_values($places);
        foreach ($sections as $section) {
            if (($held[$section->id] ?? 0) < $section->places && null !== $people[$n]->rank($section->id)) {
                yield from self::ways($people, $sections, [...$places, $people[$n]->id => $section->id], $n + 1);
            }
        }
    }
}
