<?php

declare(strict_types=1);

namespace MintDoor\Groups;

/** A job: computes the groups of a split, for the time that is its version. */
final readonly class ComputeGroups
{
    public function __construct(public string $split, public int $version) {}
}
