<?php

declare(strict_types=1);

namespace MintDoor\Core;

/** Where the core gets identifiers for what it makes; handed in, like the time. */
interface Ids
{
    public function next(): string;
}
