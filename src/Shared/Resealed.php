<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** How many things of one kind were sealed anew. */
final readonly class Resealed
{
    /** @param string $what what they are called, as it is printed */
    public function __construct(public string $what, public int $many) {}
}
