<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Core\Plans\PlanPerson;
use MintDoor\Plans\Entity\SitePlan;

/** Schema `PlanRecord`: what a plan was computed from, and what it came to. */
final class RecordAnswer
{
    private function __construct() {}

    /** @return array<string, mixed> */
    public static function of(SitePlan $plan, Outcome $outcome): array
    {
        $places = array_map(
            static fn(PlanPerson $person): array => [
                'person' => $person->id,
                'section' => [] === $outcome->sites
                    ? $outcome->why[$person->id]->section ?? null
                    : $outcome->places[$person->id] ?? null,
            ],
            $outcome->record->people,
        );

        return [
            'seed' => (string) $plan->seed,
            'proven' => $outcome->proven,
            ...$outcome->record->kept(),
            'places' => $places,
        ];
    }
}
