<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

/** What one grant is by itself at an instant. */
enum Phase
{
    case None;
    case InForce;
    case Upcoming;
    case Waiting;
    case Ended;
    case Removed;
}
