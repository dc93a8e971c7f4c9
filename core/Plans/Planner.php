<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/** Finds the plan that answers a question. */
final class Planner
{
    private function __construct() {}

    /**
     * @param list<PlanPerson>               $people
     * @param list<PlanSection>              $sections
     * @param array<string, string>          $stay    section by person, of those who stay where they are
     * @param array<string, string>          $there   section by person, of those who move only to make room
     * @param ?\Closure(int, int): bool $goesOn asked again and again whether it goes on, with how many steps are done
     *     and of how many; where it does not, the best so far is the plan
     */
    public static function plan(
        array $people,
        array $sections,
        array $stay,
        array $there,
        Conditions $conditions,
        Lot $lot,
        ?\Closure $goesOn = null,
    ): Plan {
        if (!$conditions->none()) {
            return Search::plan($people, $sections, $stay, $there, $conditions, $lot, $goesOn)->plan;
        }

        return [] === $there
            ? Fairest::plan($people, $sections, $lot, $goesOn)
            : Latecomers::plan($people, $sections, $there, $lot, $goesOn);
    }
}
