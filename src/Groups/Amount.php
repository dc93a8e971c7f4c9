<?php

declare(strict_types=1);

namespace MintDoor\Groups;

/** Schema `GroupAmount`: how many a group has of something, or what its people have on average. */
final readonly class Amount
{
    /** @param string $of what is counted; empty for an average */
    public function __construct(public string $of, public float $n) {}
}
