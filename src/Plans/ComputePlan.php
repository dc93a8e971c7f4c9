<?php

declare(strict_types=1);

namespace MintDoor\Plans;

/** A job: computes a plan, as it was at a version. */
final readonly class ComputePlan
{
    public function __construct(public string $plan, public int $version) {}
}
