<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/** Why somebody is where a plan puts them, or nowhere. */
final readonly class Why
{
    /**
     * @param ?string      $section where they are; null for nowhere
     * @param ?int         $rank    of their wishes, 1 for the first; null for nowhere
     * @param list<string> $full    sections they wished more, and could be in: others have all places
     * @param list<string> $cannot  sections they wished more, at whose time they have something else
     * @param list<string> $onePlace for who is nowhere: sections in which one place more would place them, as they wish
     * @param list<string> $anHour  for who is nowhere: sections that another hour would make possible, as they wish
     */
    public function __construct(
        public ?string $section,
        public ?int $rank,
        public array $full = [],
        public array $cannot = [],
        public array $onePlace = [],
        public array $anHour = [],
    ) {}

    /**
     * @param list<PlanPerson>  $people
     * @param list<PlanSection> $sections
     *
     * @return array<string, self> by person
     */
    public static function all(array $people, array $sections, Plan $plan): array
    {
        $why = [];
        foreach ($people as $person) {
            $at = $plan->places[$person->id] ?? null;
            $rank = null === $at ? null : $person->rank($at);
            $full = $cannot = $possible = $impossible = [];
            foreach ($sections as $section) {
                $wished = array_search($section->id, $person->wishes, true);
                $place = false === $wished ? \count($person->wishes) + 1 : $wished + 1;
                $may = !\in_array($section->id, $person->cannot, true);
                $may ? ($possible[$section->id] = $place) : ($impossible[$section->id] = $place);
                if (false !== $wished && (null === $rank || $place < $rank)) {
                    $may ? ($full[$section->id] = $place) : ($cannot[$section->id] = $place);
                }
            }
            $why[$person->id] = new self(
                $at,
                $rank,
                self::inOrder($full),
                self::inOrder($cannot),
                null === $at ? self::inOrder($possible) : [],
                null === $at ? self::inOrder($impossible) : [],
            );
        }

        return $why;
    }

    /**
     * @param array<string, int> $ranks by section
     *
     * @return list<string> sections, those that are wished most first
     */
    private static function inOrder(array $ranks): array
    {
        asort($ranks);

        return array_map(strval(...), array_keys($ranks));
    }
}
