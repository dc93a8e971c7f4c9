<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** Something that computed groups are to be like. */
interface Wish
{
    /** What it costs when it is broken by one; 0 for one that is never to be broken where that can be. */
    public function weight(): int;
}
