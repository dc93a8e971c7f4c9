<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Time\Window;

/** So many people who are in one state for the same stretch of time. */
final readonly class CountedStretch
{
    public function __construct(public State $state, public Window $window, public int $people) {}
}
