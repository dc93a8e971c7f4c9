<?php

declare(strict_types=1);

namespace MintDoor\Core\Weeks;

/** Two meetings one after the other in different buildings, with less time between them than the way takes. */
final readonly class Walk
{
    /** @param int $seconds between them, 0 or more */
    public function __construct(public Meeting $before, public Meeting $after, public int $seconds) {}
}
