<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

/** Schema `PersonCohort`: a cohort that somebody belongs or belonged to. */
final readonly class PersonCohort
{
    /**
     * @param string  $from  instant
     * @param ?string $until instant; null for as long as nothing changes
     * @param bool    $now   whether they belong now
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $from,
        public ?string $until,
        public bool $now,
    ) {}
}
