<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

enum Entry: string
{
    case Enter = 'enter';
    case LookOnly = 'look-only';
    case No = 'no';
}
