<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/** What decided where a plan puts somebody. */
enum Because: string
{
    /** They were there, and stay. */
    case Stays = 'stays';
    /** They were elsewhere, and make room for somebody who has no other place. */
    case MakesRoom = 'makes-room';
    case Wish = 'wish';
    /** They have wishes, and this is none of them. */
    case Unnamed = 'unnamed';
    /** They have no wishes. */
    case Wishless = 'wishless';
    case Nowhere = 'nowhere';
}
