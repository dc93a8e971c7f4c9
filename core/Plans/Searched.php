<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/** The best plan that was found, and below what none can be. */
final readonly class Searched
{
    /**
     * @param int $cost  of the plan
     * @param int $bound no plan that keeps the conditions costs less
     */
    public function __construct(public Plan $plan, public int $cost, public int $bound) {}
}
