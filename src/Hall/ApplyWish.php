<?php

declare(strict_types=1);

namespace MintDoor\Hall;

/** Whether something is done, or only looked at. */
final readonly class ApplyWish
{
    public function __construct(public bool $apply = false) {}
}
