<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

/** Where somebody who stands before a door ends up. */
enum Passage: string
{
    case In = 'in';
    /** Until somebody says yes. */
    case Approval = 'approval';
    /** In the waiting line, until a seat is free. */
    case Line = 'line';
    case Already = 'already';
    case No = 'no';
}
