<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/** Who goes into which section, and who finds no place. */
final readonly class Plan
{
    /**
     * @param array<string, string> $places   section by person
     * @param list<string>          $unplaced people
     * @param bool                  $proven   whether no other way is better; not where it was told to stop before
     * @param ?float                $better   where it was searched for: by what share of what it costs another one
     *     could be better at most
     */
    public function __construct(
        public array $places,
        public array $unplaced,
        public bool $proven = true,
        public ?float $better = null,
    ) {}

    /**
     * @param list<PlanPerson>  $people   as the flow numbers them
     * @param list<PlanSection> $sections
     *
     * @internal
     */
    public static function of(Flow $flow, array $people, array $sections, bool $proven = true): self
    {
        $places = $unplaced = [];
        foreach ($people as $n => $person) {
            $section = $sections[$flow->at()[$n] ?? Flow::NOWHERE] ?? null;
            if (null === $section) {
                $unplaced[] = $person->id;
            } else {
                $places[$person->id] = $section->id;
            }
        }

        return new self($places, $unplaced, $proven);
    }
}
