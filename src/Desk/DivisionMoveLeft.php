<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Somebody;

/** Somebody who cannot go to another division, since it does not have their level. */
final readonly class DivisionMoveLeft
{
    public function __construct(public Somebody $person, public int $level) {}
}
