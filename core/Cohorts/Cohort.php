<?php

declare(strict_types=1);

namespace MintDoor\Core\Cohorts;

/** People who belong together across sites: by a rule, or by a list where there is none. */
final readonly class Cohort
{
    public function __construct(public string $id, public ?Rule $rule = null) {}
}
