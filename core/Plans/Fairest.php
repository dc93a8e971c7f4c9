<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/**
 * Places given out by wishes: as few as can be find none, and of those who have one now none if that can be; of the
 * ways that are left, as few as can be get the last of their wishes, then the last but one, and so on, so that the
 * worst off are as well off as can be, then the next. Among ways that are as good a lot decides. Exact: each step is a
 * minimum-cost flow, and the next one is among those that cost as little, told by complementary slackness (Mehlhorn,
 * Michail 2006, "Network problems with non-polynomial weights": costs that are reduced and cut off have the same
 * cheapest ways).
 */
final class Fairest
{
    private function __construct() {}

    /**
     * @param list<PlanPerson>               $people
     * @param list<PlanSection>              $sections
     * @param ?\Closure(int, int): bool $goesOn asked again and again whether it goes on, with how many steps are done
     *     and of how many; where it does not, the best so far is the plan
     */
    public static function plan(array $people, array $sections, Lot $lot, ?\Closure $goesOn = null): Plan
    {
        // Whoever asks for it in another order gets the same.
        usort($people, static fn(PlanPerson $a, PlanPerson $b): int => $a->id <=> $b->id);
        usort($sections, static fn(PlanSection $a, PlanSection $b): int => $a->id <=> $b->id);
        $ranks = self::ranks($people, $sections);
        $worst = 1;
        foreach ($ranks as $own) {
            $worst = max([$worst, ...array_filter($own, static fn(int $rank): bool => \PHP_INT_MAX !== $rank)]);
        }
        $asked = static fn(int $done): ?\Closure => null === $goesOn
            ? null
            : static fn(): bool => $goesOn($done, $worst + 1);
        $costs = self::each($ranks, static fn(int $rank): int => 0);
        foreach ($people as $n => $person) {
            $costs[$n][Flow::NOWHERE] = $person->placed ? 1 + \count($people) : 1;
        }
        $flow = new Flow($costs, array_map(static fn(PlanSection $section): int => $section->places, $sections));
        $settled = $flow->settle($asked(0));
        for ($last = $worst; $settled && $last > 1; --$last) {
            $more = self::each($ranks, static fn(int $rank): int => (int) ($rank === $last));
            $flow->cost($flow->among($more, 1 + \count($people)));
            $settled = $flow->settle($asked(1 + $worst - $last));
        }
        if ($settled) {
            $lots = $lot->all($people, $sections, $ranks);
            $flow->cost($flow->among($lots, 1 + Lot::OUT_OF * \count($people)));
            $settled = $flow->settle($asked($worst));
        }

        return Plan::of($flow, $people, $sections, $settled);
    }

    /**
     * @param list<PlanPerson>  $people
     * @param list<PlanSection> $sections
     *
     * @return array<int, array<int, int>> of their wishes by person and section, the last for nowhere
     */
    private static function ranks(array $people, array $sections): array
    {
        $ranks = [];
        foreach ($people as $n => $person) {
            foreach ($sections as $m => $section) {
                $rank = $person->rank($section->id);
                null === $rank || ($ranks[$n][$m] = $rank);
            }
            $ranks[$n][Flow::NOWHERE] = \PHP_INT_MAX;
        }

        return $ranks;
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
}
