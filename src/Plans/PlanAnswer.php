<?php

declare(strict_types=1);

namespace MintDoor\Plans;

/** Schema `SitePlan`. */
final readonly class PlanAnswer
{
    /**
     * @param list<PlanSectionShown> $sections of the site, in their order
     * @param int                    $learners of the site; of those `without` are in no section
     * @param ?string                $awayAt   instant at which a plan was put away that can be brought back
     * @param int                    $awayAnswered how many said what they wish for that one
     */
    public function __construct(
        public ?PlanShown $plan,
        public array $sections,
        public int $learners,
        public int $without,
        public ?string $awayAt,
        public int $awayAnswered,
    ) {}
}
