<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/** How many a starter would bring into its site, and take out of it. */
final readonly class StarterWould
{
    /** @param string $site its short code, as it is set */
    public function __construct(public string $site, public int $come, public int $go) {}
}
