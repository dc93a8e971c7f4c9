<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Core\Plans\PlanPerson;
use MintDoor\Core\Plans\PlanSection;
use MintDoor\Plans\Entity\SitePlan;

/** Schema `PlanRecord`: what a plan was computed from, and what it came to. */
final readonly class RecordAnswer
{
    /**
     * @param list<PlanPerson>       $people
     * @param list<PlanSection>      $sections
     * @param list<array{person: string, section: string}>  $there of those who move only to make room
     * @param list<array{person: string, section: ?string}> $places null for nowhere
     */
    private function __construct(
        public string $seed,
        public bool $proven,
        public array $people,
        public array $sections,
        public array $there,
        public array $places,
    ) {}

    public static function of(SitePlan $plan, Outcome $outcome): self
    {
        $places = array_map(
            static fn(PlanPerson $person): array => [
                'person' => $person->id,
                'section' => $outcome->why[$person->id]->section ?? null,
            ],
            $outcome->record->people,
        );

        return new self(
            (string) $plan->seed,
            $outcome->proven,
            $outcome->record->people,
            $outcome->record->sections,
            $outcome->record->whereTheyAre(),
            $places,
        );
    }
}
