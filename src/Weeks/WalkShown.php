<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

/** Schema `Walk`: from one building to another, with less time than the way takes. */
final readonly class WalkShown
{
    /** @param int $minutes between them */
    public function __construct(public Occasion $before, public Occasion $after, public int $minutes) {}
}
