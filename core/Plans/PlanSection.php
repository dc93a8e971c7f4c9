<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/** A section as a plan knows it. */
final readonly class PlanSection
{
    /**
     * @param int    $places how many more people of the plan it takes
     */
    public function __construct(public string $id, public int $places) {}
}
