<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Groups;

use MintDoor\Core\Groups\Computer;
use MintDoor\Core\Groups\Cost;
use MintDoor\Core\Groups\CountWish;
use MintDoor\Core\Groups\EvenWish;
use MintDoor\Core\Groups\MetWish;
use MintDoor\Core\Groups\PairWish;
use MintDoor\Core\Groups\Places;
use MintDoor\Core\Groups\Question;
use MintDoor\Core\Groups\Repair;
use MintDoor\Core\Groups\Report;
use MintDoor\Core\Groups\Size;
use MintDoor\Core\Groups\StayWish;
use MintDoor\Core\Groups\WayOut;
use MintDoor\Core\Groups\Wish;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\TestCase;

/** Groups that are computed: sizes, what must be kept, and what is wished. */
final class ComputerTest extends TestCase
{
    private const STEPS = 4_000;

    public function testQuartetsHaveTheirInstruments(): void
    {
        $people = array_map(static fn(int $n): string => "p$n", range(0, 15));
        $wishes = [];
        foreach (['violin' => [0, 1, 2], 'viola' => [2, 1, 1], 'cello' => [3, 1, 1]] as [$first, $least, $most]) {
            $who = array_values(array_filter($people, static fn(string $id): bool => match ($first) {
                0 => (int) substr($id, 1) % 4 < 2,
                default => (int) substr($id, 1) % 4 === $first,
            }));
            $wishes[] = new CountWish($who, 0 === $first ? 2 : $least, 0 === $first ? 2 : $most, 0);
        }
        $wishes[] = new PairWish('p0', 'p5', true, 0);
        $wishes[] = new PairWish('p2', 'p3', false, 0);
        $wishes[] = new MetWish([['p0', 'p1', 'p2', 'p3'], ['p4', 'p5', 'p6', 'p7']], 1, 10);
        $question = new Question($people, array_fill(0, 4, new Size(4, 4)), $wishes);
        $places = self::computed($question);
        self::assertEquals(new Cost(0, 0), Cost::of($question, $places));
        self::assertSame($places['p0'], $places['p5']);
    }

    public function testWhereNothingIsWishedItIsALot(): void
    {
        $people = array_map(static fn(int $n): string => "p$n", range(0, 11));
        $question = new Question($people, array_fill(0, 4, new Size(3, 3)));
        $met = [];
        for ($seed = 0; $seed < 200; ++$seed) {
            $places = Computer::compute($question, "s$seed");
            self::assertSame([3, 3, 3, 3], array_values(array_count_values($places) + []));
            foreach ($people as $other) {
                $met[$other] = ($met[$other] ?? 0) + ($places[$other] === $places['p0'] ? 1 : 0);
            }
        }
        unset($met['p0']);
        // Two of eleven each time: about 36 of 200.
        self::assertGreaterThan(15, min($met));
        self::assertLessThan(65, max($met));
    }

    public function testOfFewNoOtherWayIsBetter(): void
    {
        $broken = $costly = 0;
        for ($seed = 1; $seed <= 60; ++$seed) {
            $question = self::drawn(new Dice($seed), 6);
            $cost = Cost::of($question, self::computed($question));
            self::assertEquals(self::least($question), $cost, "seed $seed");
            $broken += $cost->broken > 0 ? 1 : 0;
            $costly += $cost->soft > 0 ? 1 : 0;
        }
        self::assertGreaterThan(5, $broken, 'some cannot keep all');
        self::assertGreaterThan(20, $costly);
    }

    public function testLaws(): void
    {
        for ($seed = 1; $seed <= 60; ++$seed) {
            $dice = new Dice(1_000 + $seed);
            $question = self::drawn($dice, 18);
            $places = Computer::compute($question, "s$seed", 800, 1);
            self::assertSame($question->people, array_map(strval(...), array_keys($places)), 'everybody, once');
            self::assertSame($places, Computer::compute($question, "s$seed", 800, 1), 'the same seed');
            foreach ($question->fixed as $person => $group) {
                self::assertSame($group, $places[$person], 'stays');
            }
            $sizes = array_count_values($places);
            foreach ($question->fits() && [] === $question->fixed ? $question->sizes : [] as $group => $size) {
                self::assertGreaterThanOrEqual($size->least, $sizes[$group] ?? 0, "seed $seed");
                self::assertLessThanOrEqual($size->most, $sizes[$group] ?? 0, "seed $seed");
            }
        }
    }

    public function testNoGroupsBreakAWishByLessThanIsSaidNorByMore(): void
    {
        $tight = 0;
        for ($seed = 1; $seed <= 40; ++$seed) {
            $question = self::drawn(new Dice(3_000 + $seed), 6);
            $least = array_fill(0, \count($question->wishes), \PHP_INT_MAX);
            foreach (self::ways($question) as $way) {
                $report = Report::of($question, $way);
                self::assertEquals(Cost::of($question, $way), $report->cost);
                self::assertLessThanOrEqual($report->best() + 1e-9, $report->met(), "seed $seed");
                foreach ($report->wishes as $n => $kept) {
                    self::assertGreaterThanOrEqual($kept->least, $kept->lacks, "seed $seed, wish $n");
                    self::assertLessThanOrEqual($kept->whole, $kept->lacks, "seed $seed, wish $n");
                    $least[$n] = min($least[$n], $kept->lacks);
                }
            }
            foreach ($report->wishes ?? [] as $n => $kept) {
                $tight += $kept->least === $least[$n] ? 1 : 0;
            }
        }
        self::assertGreaterThan(80, $tight, 'most bounds are reached');
    }

    /** What is kept up with each move is what it costs, worked out anew. */
    public function testCostsAreKeptUpWithEachMove(): void
    {
        for ($seed = 1; $seed <= 40; ++$seed) {
            $dice = new Dice(2_000 + $seed);
            $question = self::drawn($dice, 14);
            $places = new Places($question, array_map(
                static fn(): int => $dice->below(\count($question->sizes)),
                array_flip($question->people),
            ));
            for ($move = 0; $move < 40; ++$move) {
                $person = $dice->below($places->people);
                $to = $dice->below($places->groups);
                if ($to !== $places->at[$person]) {
                    $places->move($person, $to, $places->gain($person, $to));
                    $now = Cost::of($question, $places->all());
                    self::assertSame([$now->broken, $now->soft], [$places->broken, $places->soft], "seed $seed");
                    self::assertSame($places->held, array_map(\count(...), $places->in));
                }
            }
        }
    }

    public function testWhoComesLateCostsAsFewMovesOfOthersAsCanBe(): void
    {
        $moves = $free = 0;
        for ($seed = 1; $seed <= 60; ++$seed) {
            $dice = new Dice(4_000 + $seed);
            $question = self::drawn($dice, 6);
            $question = new Question($question->people, $question->sizes, $question->wishes);
            $before = Computer::compute($question, 'before', 2_000, 1);
            $now = array_diff_key($before, array_flip($dice->some($question->people, 2)));
            // One who is there wants something else since: that may move others.
            $more = self::pair($dice->some($question->people, 2), $dice->chance(50), 0);
            $question = new Question($question->people, $question->sizes, [...$question->wishes, $more]);
            $order = static fn(array $way): array => [Cost::of($question, $way)->broken, Repair::moved($now, $way)];
            $found = $order(Repair::compute($question, $now, "s$seed", self::STEPS));
            $orders = array_map($order, self::ways($question));
            sort($orders);
            self::assertSame($orders[0], $found, "seed $seed");
            $moves += $found[1] > 0 ? 1 : 0;
            $free += 0 === $found[1] ? 1 : 0;
        }
        self::assertGreaterThan(5, $moves);
        self::assertGreaterThan(20, $free);
    }

    public function testSaysTheSmallestThatWouldHaveToBeGivenUp(): void
    {
        $found = $none = 0;
        for ($seed = 1; $seed <= 120; ++$seed) {
            $question = self::drawn(new Dice(5_000 + $seed), 6);
            if (0 === self::least($question)->broken) {
                continue;
            }
            $musts = array_keys(array_filter($question->wishes, static fn(Wish $wish): bool => 0 === $wish->weight()));
            $enough = array_map(static function (int $given) use ($question): bool {
                $rest = array_diff_key($question->wishes, [$given => true]);
                $without = new Question($question->people, $question->sizes, array_values($rest), $question->fixed);

                return 0 === self::least($without)->broken;
            }, $musts);
            $first = array_search(true, $enough, true);
            $parts = array_map(static fn(int $number): array => [$number], $musts);
            self::assertSame(false === $first ? null : $first, WayOut::find($question, $parts, "s$seed", self::STEPS));
            false === $first ? ++$none : ++$found;
        }
        self::assertGreaterThan(5, $found);
        self::assertGreaterThan(0, $none);
    }

    public function testIsToldHowFarItIsAndStopsWithTheBestSoFar(): void
    {
        $question = self::drawn(new Dice(7), 18);
        $asked = 0;
        $goesOn = static function (int $done, int $of) use (&$asked): bool {
            ++$asked;

            return $done < $of / 2;
        };
        $places = Computer::compute($question, 'x', 10_000, 1, $goesOn);
        self::assertSame(4, $asked);
        self::assertCount(\count($question->people), $places);
    }

    /** @return array<string, int> */
    private static function computed(Question $question): array
    {
        return Computer::compute($question, 'seed', self::STEPS, 3);
    }

    private static function drawn(Dice $dice, int $most): Question
    {
        $people = array_map(static fn(int $n): string => "p$n", range(0, $dice->between(3, $most) - 1));
        $groups = $dice->between(2, max(2, intdiv(\count($people), 3)));
        $share = intdiv(\count($people), $groups);
        $sizes = [];
        for ($group = 0; $group < $groups; ++$group) {
            $sizes[] = new Size(max(1, $share - $dice->below(2)), $share + 1 + $dice->below(2));
        }
        $weight = static fn(): int => $dice->chance(30) ? 0 : $dice->between(1, 20);
        $wishes = array_map(
            static fn(): Wish => match ($dice->below(6)) {
                0 => new CountWish($dice->some($people, $dice->between(1, \count($people))), 1, 2, $weight()),
                1 => new EvenWish(
                    array_map(static fn(): int => $dice->between(1, 9), array_flip($people)),
                    $dice->between(1, 3),
                ),
                2 => new MetWish([$dice->some($people, 3)], $dice->below(2), $weight()),
                3 => new StayWish(
                    array_map(static fn(): int => $dice->below($groups), array_flip($dice->some($people, 3))),
                    $dice->between(1, 9),
                ),
                default => self::pair($dice->some($people, 2), $dice->chance(50), $weight()),
            },
            range(1, $dice->between(2, 7)),
        );
        $fixed = [];
        foreach ($dice->chance(25) ? $dice->some($people, 2) : [] as $person) {
            $fixed[$person] = $dice->below($groups);
        }

        return new Question($people, $sizes, $wishes, $fixed);
    }

    /** @param list<string> $two */
    private static function pair(array $two, bool $together, int $weight): PairWish
    {
        return new PairWish($two[0], $two[1], $together, $weight);
    }

    /** The least there can be, by looking at all ways. No size is broken to keep something else. */
    private static function least(Question $question): Cost
    {
        $least = null;
        $sizes = new Question($question->people, $question->sizes);
        $ways = self::ways($question);
        $broken = array_map(static fn(array $way): int => Cost::of($sizes, $way)->broken, $ways);
        foreach (array_keys($broken, min([\PHP_INT_MAX, ...$broken]), true) as $n) {
            $cost = Cost::of($question, $ways[$n]);
            $least = null === $least || $cost->isLessThan($least) ? $cost : $least;
        }
        \assert(null !== $least);

        return $least;
    }

    /** @return list<array<string, int>> all ways of putting everybody somewhere who does not stay */
    private static function ways(Question $question): array
    {
        $ways = [[]];
        foreach ($question->people as $person) {
            $more = [];
            foreach ($ways as $way) {
                foreach (array_keys($question->sizes) as $group) {
                    if (($question->fixed[$person] ?? $group) === $group) {
                        $more[] = $way + [$person => $group];
                    }
                }
            }
            $ways = $more;
        }

        return $ways;
    }
}
