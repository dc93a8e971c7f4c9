<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Core\Time\Spans;

/** That somebody's belonging to a cohort became another. */
final readonly class Changed
{
    /**
     * @param string $cohort id
     * @param string $person id
     */
    public function __construct(
        public string $cohort,
        public string $person,
        public Spans $before,
        public Spans $after,
    ) {}
}
