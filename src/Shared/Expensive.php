<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** An action that may take long: few of them run at once, of one person and of all (`ExpensivePlaces`). */
#[\Attribute(\Attribute::TARGET_METHOD)]
final readonly class Expensive
{
    /** @param int $from bytes of the body from which on it is expensive */
    public function __construct(public int $from = 0) {}
}
