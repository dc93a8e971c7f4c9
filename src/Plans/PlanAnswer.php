<?php

declare(strict_types=1);

namespace MintDoor\Plans;

/** Schema `SitePlan`. */
final readonly class PlanAnswer
{
    /**
     * @param list<PlanSectionShown> $sections of the site, in their order
     * @param int                    $learners of the site; of those `without` are in no section
     */
    public function __construct(
        public ?PlanShown $plan,
        public array $sections,
        public int $learners,
        public int $without,
    ) {}
}
