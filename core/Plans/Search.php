<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/**
 * Places given out by wishes where there are conditions that no flow knows. What is sought is the least sum of costs:
 * of somebody's nth wish (n - 1)², more where they move only to make room, and of nowhere more than of anything else.
 * It begins with a relaxed plan (`Relaxed`), which is a flow and a bound that no plan is below; it goes on by moving
 * people about (`Annealing`), a few times where they are few; and whoever conditions cannot tell from each other change
 * places among themselves until no other way is better, which is a flow again. The best that keeps all conditions is
 * the plan. Where nobody is placed, none is broken, so that there always is one. The same seed gives the same.
 */
final class Search
{
    /** Steps for each unit, with many and with few, and in all so many at most with few. */
    private const STEPS = 200;

    private const MORE = 2_000;

    private const ENOUGH = 20_000;

    /** What part of so many the relaxed plan is taken for. */
    private const BEFORE = 2;

    /** How often it is tried, as far as there are no more steps than this in all. */
    private const RUNS = 8;

    private const MOST = 500_000;

    /** How much worse a step may well be at first. */
    private const WARM = 0.5;

    private function __construct() {}

    /**
     * @param list<PlanPerson>          $people
     * @param list<PlanSection>         $sections
     * @param array<string, string>     $stay    section by person, of those who stay where they are
     * @param array<string, string>     $there   section by person, of those who move only to make room
     * @param ?\Closure(int, int): bool $goesOn  as of `Planner`
     */
    public static function plan(
        array $people,
        array $sections,
        array $stay,
        array $there,
        Conditions $conditions,
        Lot $lot,
        ?\Closure $goesOn = null,
    ): Searched {
        // Who comes first makes a difference among equals.
        $turn = array_map(static fn(PlanPerson $one): array => [$lot->of($one->id, ''), $one->id], $people);
        array_multisort($turn, $people);
        usort($sections, static fn(PlanSection $a, PlanSection $b): int => $a->id <=> $b->id);
        $units = Units::of($people, $sections, $stay, $conditions, self::costs($people, $sections, $there));
        [$best, $cost, $bound] = self::best($units, new Chance($lot->seed), $goesOn);
        $places = $unplaced = [];
        foreach ($units->members as $unit => $members) {
            foreach ($members as $n) {
                $section = $sections[$best[$unit]] ?? null;
                null === $section
                    ? $unplaced[] = $people[$n]->id
                    : $places[$people[$n]->id] = $section->id;
            }
        }
        sort($unplaced);
        ksort($places);

        $better = 0 === $cost ? 0.0 : ($cost - $bound) / $cost;

        return new Searched(new Plan($places, $unplaced, $cost === $bound, $better), $cost, $bound);
    }

    /**
     * @param list<PlanPerson>  $people
     * @param list<PlanSection> $sections
     * @param array<string, string> $there
     *
     * @return array<int, array<int, int>> by person and section, `Flow::NOWHERE` among them
     */
    private static function costs(array $people, array $sections, array $there): array
    {
        $worst = 1;
        foreach ($people as $person) {
            $worst = max($worst, 1 + \count($person->wishes));
        }
        $costs = [];
        foreach ($people as $n => $person) {
            $at = $there[$person->id] ?? null;
            $moves = null === $at ? 0 : 2 * $worst * $worst;
            foreach ($sections as $m => $section) {
                $rank = $person->rank($section->id);
                null === $rank || ($costs[$n][$m] = $moves + ($rank - 1) ** 2);
                if ($section->id === $at) {
                    $costs[$n][$m] = 0;
                }
            }
            $costs[$n][Flow::NOWHERE] = 4 * $worst * $worst * ($person->placed ? 2 : 1);
        }

        return $costs;
    }

    /**
     * @param ?\Closure(int, int): bool $goesOn
     *
     * @return array{array<int, int>, int, int} section by unit, what it costs, and what no plan costs less than
     */
    private static function best(Units $units, Chance $dice, ?\Closure $goesOn): array
    {
        $many = \count($units->sizes);
        $steps = max(1, self::STEPS * $many, min(self::ENOUGH, self::MORE * $many));
        $runs = min(self::RUNS, max(1, intdiv(self::MOST, $steps)));
        $before = intdiv($steps, self::BEFORE);
        $part = static fn(int $past, int $all): \Closure => static fn(int $done, int $of): bool => null === $goesOn
            || $goesOn($past + intdiv($done * $all, $of), $before + $runs * $steps);
        $relaxed = Relaxed::of($units, $part(0, $before));
        $best = [];
        $cost = \PHP_INT_MAX;
        for ($run = 0; $run < $runs && $cost > $relaxed->bound; ++$run) {
            $annealing = new Annealing($units, $relaxed->at, $relaxed->near, $dice);
            // Of few all ways are gone through, too; with many, what is sought is near.
            $warm = 0 === $run % 2 || $many > Relaxed::FEW ? self::WARM : null;
            $annealing->run($steps, $relaxed->bound, $warm, $part($before + $run * $steps, $steps));
            $found = self::changed($units, $annealing->best);
            if (self::cost($units, $found) < $cost) {
                [$best, $cost] = [$found, self::cost($units, $found)];
            }
        }

        return [$best, $cost, $relaxed->bound];
    }

    /**
     * Who could stand for each other as far as conditions see goes where it costs least, with as many of them in each
     * section as before.
     *
     * @param array<int, int> $at section by unit
     *
     * @return array<int, int>
     */
    private static function changed(Units $units, array $at): array
    {
        $alike = [];
        foreach ($at as $unit => $_) {
            if (1 === $units->sizes[$unit] && [] === $units->foes[$unit] && [] === $units->selves[$unit]) {
                $kinds = array_map(array_keys(...), array_column($units->unitKinds, $unit));
                $alike[json_encode($kinds, \JSON_THROW_ON_ERROR)][] = $unit;
            }
        }
        foreach ($alike as $own) {
            $costs = $places = [];
            foreach ($own as $unit) {
                $costs[$unit] = $units->costs[$unit];
                $places[$at[$unit]] = 1 + ($places[$at[$unit]] ?? 0);
            }
            unset($places[Flow::NOWHERE]);
            $flow = new Flow($costs, $places + array_fill_keys(array_keys($units->places), 0));
            $flow->settle();
            $at = array_replace($at, $flow->at());
        }

        return $at;
    }

    /** @param array<int, int> $at section by unit */
    private static function cost(Units $units, array $at): int
    {
        $cost = 0;
        foreach ($at as $unit => $section) {
            $cost += $units->costs[$unit][$section];
        }

        return $cost;
    }
}
