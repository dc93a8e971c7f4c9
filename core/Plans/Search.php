<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/**
 * Places given out by wishes where there are conditions that no flow knows. What is sought is the least sum of costs:
 * of somebody's nth wish (n - 1)², more where they move only to make room, and of nowhere more than of anything else.
 * It begins with the flow without conditions, and goes on by moving units and having two change places, also for the
 * worse and against conditions, less and less (simulated annealing: Kirkpatrick, Gelatt, Vecchi 1983); the best that
 * keeps all conditions is the plan. Where nobody is placed, none is broken, so that there always is one. What the flow
 * of units costs without conditions is a bound that no plan is below. The same seed gives the same.
 */
final class Search
{
    /** Steps for each unit, and at least. */
    private const STEPS = 200;

    private const LEAST = 20_000;

    /** Steps between two questions whether it goes on. */
    private const ASK = 2_000;

    private const FEW = 100;

    /** How much worse a step may well be, at first, with many. */
    private const HEAT = 10;

    /** What breaking a condition by one costs beside nowhere. */
    private const PRICE = 2;

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
        usort($people, static fn(PlanPerson $a, PlanPerson $b): int => $a->id <=> $b->id);
        usort($sections, static fn(PlanSection $a, PlanSection $b): int => $a->id <=> $b->id);
        $costs = self::costs($people, $sections, $there);
        $units = Units::of($people, $sections, $stay, $conditions, $costs);
        // Each unit takes one place there, however many it is, and no other condition holds.
        $flow = new Flow($units->costs, $units->places);
        $flow->settle();
        $bound = 0;
        foreach ($flow->at() as $unit => $section) {
            $bound += $units->costs[$unit][$section];
        }
        [$best, $cost] = self::best($units, $flow, new Chance($lot->seed), $goesOn);
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
     * @return array{array<int, int>, int} section by unit, and what it costs
     */
    private static function best(Units $units, Flow $flow, Chance $dice, ?\Closure $goesOn): array
    {
        $now = new Arrangement($units);
        [$best, $cost] = [$now->all(), $now->cost];
        $many = \count($units->sizes);
        if (0 === $many) {
            return [$best, $cost];
        }
        self::begin($now, $units, $flow);
        $price = self::PRICE * max(1, ...array_column($units->costs, Flow::NOWHERE));
        // Of few all ways are gone through; with many, the flow is near what is sought.
        $heat = (float) ($many < self::FEW ? $price : min($price, self::HEAT));
        $steps = max(self::LEAST, self::STEPS * $many);
        $cool = (0.05 / $heat) ** (1 / $steps);
        $choices = array_map(static function (array $own): array {
            asort($own);

            return array_keys($own);
        }, $units->costs);
        for ($step = 0; $step < $steps; ++$step) {
            if (0 === $now->broken && $now->cost < $cost) {
                [$best, $cost] = [$now->all(), $now->cost];
            }
            if (0 === $step % self::ASK && null !== $goesOn && !$goesOn($step, $steps)) {
                break;
            }
            $heat *= $cool;
            self::step($now, $units, $choices, $dice, $price, $heat);
        }

        return 0 === $now->broken && $now->cost < $cost ? [$now->all(), $now->cost] : [$best, $cost];
    }

    /** Puts units where the flow has them, as far as there is room. */
    private static function begin(Arrangement $now, Units $units, Flow $flow): void
    {
        foreach ($flow->at() as $unit => $section) {
            if ($now->fits($section, $units->sizes[$unit])) {
                $now->move($unit, $section);
            }
        }
    }

    /**
     * Moves one unit, or has two change places, where that is better or the heat allows it.
     *
     * @param list<list<int>> $choices sections by unit, the cheapest first
     */
    private static function step(
        Arrangement $now,
        Units $units,
        array $choices,
        Chance $dice,
        int $price,
        float $heat,
    ): void {
        $unit = $dice->below(\count($units->sizes));
        $from = $now->at($unit);
        // What is wished more is tried more often.
        $rare = $dice->share();
        $to = $choices[$unit][(int) (\count($choices[$unit]) * $rare * $rare * $rare)];
        if ($to === $from) {
            return;
        }
        $before = $now->cost + $price * $now->broken;
        $other = null;
        if (!$now->fits($to, $units->sizes[$unit])) {
            $there = $now->in($to);
            if ([] === $there) {
                return;
            }
            $other = $there[$dice->below(\count($there))];
            $more = $units->sizes[$unit] - $units->sizes[$other];
            $back = isset($units->costs[$other][$from]) ? $from : Flow::NOWHERE;
            if (!$now->fits($to, $more) || ($back === $from && !$now->fits($from, -$more))) {
                return;
            }
            $now->move($other, $back);
        }
        $now->move($unit, $to);
        $worse = $now->cost + $price * $now->broken - $before;
        if ($worse > 0 && $dice->share() > exp(-$worse / $heat)) {
            $now->move($unit, $from);
            null === $other || $now->move($other, $to);
        }
    }
}
