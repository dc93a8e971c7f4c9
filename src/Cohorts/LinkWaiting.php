<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

/** Schema `CohortLinkWaiting`: how many who belong are not here, and what stands in the way. */
final readonly class LinkWaiting
{
    public function __construct(public string $why, public int $people) {}
}
