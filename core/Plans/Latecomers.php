<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/**
 * Places for those who come late, with as few others moved as can be: as many as can be find a place, then as few as
 * can be of those who have one go elsewhere, none of them to nowhere; among ways that are as good, the wishes, and then
 * a lot.
 */
final class Latecomers
{
    private function __construct() {}

    /**
     * @param list<PlanPerson>      $people   those who are there, and those who come
     * @param list<PlanSection>     $sections with all their places, those that are held among them
     * @param array<string, string> $there    section by person, of those who have a place
     * @param ?\Closure(int, int): bool $goesOn as of `Planner`
     */
    public static function plan(
        array $people,
        array $sections,
        array $there,
        Lot $lot,
        ?\Closure $goesOn = null,
    ): Plan {
        usort($people, static fn(PlanPerson $a, PlanPerson $b): int => $a->id <=> $b->id);
        usort($sections, static fn(PlanSection $a, PlanSection $b): int => $a->id <=> $b->id);
        $most = \count($people) * (\count($sections) + 1) + 1;
        $costs = [];
        foreach ($people as $n => $person) {
            $own = $there[$person->id] ?? null;
            foreach ($sections as $m => $section) {
                // Where somebody is they stay, whatever came since.
                $rank = $section->id === $own ? 0 : $person->rank($section->id);
                if (null !== $rank) {
                    $costs[$n][$m] = (null === $own || $section->id === $own ? 0 : $most) + $rank;
                }
            }
            $costs[$n][Flow::NOWHERE] = null === $own ? $most * $most : $most * $most * (\count($people) + 1);
        }
        $flow = new Flow($costs, array_map(static fn(PlanSection $section): int => $section->places, $sections));
        $asked = static fn(int $done): ?\Closure => null === $goesOn ? null : static fn(): bool => $goesOn($done, 2);
        $settled = $flow->settle($asked(0));
        if ($settled) {
            $lots = $lot->all($people, $sections, $costs);
            $flow->cost($flow->among($lots, 1 + Lot::OUT_OF * \count($people)));
            $settled = $flow->settle($asked(1));
        }

        return Plan::of($flow, $people, $sections, $settled);
    }
}
