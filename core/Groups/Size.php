<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** How many people a group that is computed has, from and to. */
final readonly class Size
{
    public function __construct(public int $least, public int $most) {}
}
