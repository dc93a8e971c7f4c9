<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/**
 * Places given out by wishes: as few as can be find none; of the ways that are left, as few as can be get the last of
 * their wishes, then the last but one, and so on, so that the worst off are as well off as can be, then the next. Among
 * ways that are as good a lot decides. Exact: each step is a minimum-cost flow, and the next one is among those that
 * cost as little, told by complementary slackness (Mehlhorn, Michail 2006, "Network problems with non-polynomial
 * weights": costs that are reduced and cut off have the same cheapest ways).
 */
final class Fairest
{
    private function __construct() {}

    /**
     * @param list<PlanPerson>  $people
     * @param list<PlanSection> $sections
     */
    public static function plan(array $people, array $sections, Lot $lot): Plan
    {
        // Whoever asks for it in another order gets the same.
        usort($people, static fn(PlanPerson $a, PlanPerson $b): int => $a->id <=> $b->id);
        usort($sections, static fn(PlanSection $a, PlanSection $b): int => $a->id <=> $b->id);
        $ranks = [];
        $worst = 1;
        foreach ($people as $n => $person) {
            foreach ($sections as $m => $section) {
                $rank = $person->rank($section->id);
                if (null !== $rank) {
                    $ranks[$n][$m] = $rank;
                    $worst = max($worst, $rank);
                }
            }
            $ranks[$n][Flow::NOWHERE] = \PHP_INT_MAX;
        }
        $costs = self::each($ranks, static fn(int $rank): int => (int) (\PHP_INT_MAX === $rank));
        $flow = new Flow($costs, array_map(static fn(PlanSection $section): int => $section->places, $sections));
        $flow->settle();
        for ($last = $worst; $last > 1; --$last) {
            $more = self::each($ranks, static fn(int $rank): int => (int) ($rank === $last));
            $costs = self::among($flow, $costs, $more, 1 + \count($people));
            $flow->cost($costs);
            $flow->settle();
        }
        $lots = $ranks;
        foreach ($people as $n => $person) {
            foreach ($sections as $m => $section) {
                isset($lots[$n][$m]) && ($lots[$n][$m] = $lot->of($person->id, $section->id));
            }
            $lots[$n][Flow::NOWHERE] = $lot->of($person->id, '');
        }
        $flow->cost(self::among($flow, $costs, $lots, 1 + Lot::OUT_OF * \count($people)));
        $flow->settle();

        return Plan::of($flow, $people, $sections);
    }

    /**
     * @param array<int, array<int, int>> $ranks
     * @param \Closure(int): int          $cost
     *
     * @return array<int, array<int, int>>
     */
    private static function each(array $ranks, \Closure $cost): array
    {
        return array_map(static fn(array $own): array => array_map($cost, $own), $ranks);
    }

    /**
     * Costs whose cheapest ways are those of before that cost least of something further.
     *
     * @param array<int, array<int, int>> $costs of before, for which the flow is settled
     * @param array<int, array<int, int>> $more  0 or more each
     * @param int                         $above more than all that a way can cost of it
     *
     * @return array<int, array<int, int>>
     */
    private static function among(Flow $flow, array $costs, array $more, int $above): array
    {
        $worth = $flow->worth();
        $next = [];
        foreach ($costs as $person => $own) {
            $least = \PHP_INT_MAX;
            foreach ($own as $section => $cost) {
                $least = min($least, $cost + $worth[$section]);
            }
            foreach ($own as $section => $cost) {
                $beyond = (int) ($cost + $worth[$section] > $least);
                $full = (int) ($worth[$section] > 0);
                $next[$person][$section] = $above * ($beyond - $full) + $more[$person][$section];
            }
        }

        return $next;
    }
}
