<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

/** Schema `Clash`: two hours at the same time. */
final readonly class ClashShown
{
    /** @param int $times how often */
    public function __construct(public Occasion $one, public Occasion $other, public int $times) {}
}
