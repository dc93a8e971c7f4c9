<?php

declare(strict_types=1);

namespace MintDoor\Plans;

/** Schema `PlanWhatIf`: what the plan would come to. */
final readonly class WhatIfAnswer
{
    /**
     * @param list<array{section: ?string, people: int}> $sections how many would be in each, with those who stay; null
     *     for the further one
     */
    public function __construct(public OutcomeShown $outcome, public array $sections) {}
}
