<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

enum Verdict: string
{
    case Ready = 'ready';
    case NothingToDo = 'nothing-to-do';
    /** Somebody has to say whether, or which. */
    case NeedsChoice = 'needs-choice';
    case Refused = 'refused';
    case WaitsForSeat = 'waits-for-seat';
}
