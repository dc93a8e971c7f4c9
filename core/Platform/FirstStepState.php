<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** How far a first step is. */
enum FirstStepState: string
{
    case Open = 'open';
    case Done = 'done';
    case LeftOut = 'left-out';
}
