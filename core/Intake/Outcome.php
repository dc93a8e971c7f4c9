<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** What a pasted line comes to. */
enum Outcome: string
{
    case Match = 'match';
    /** Somebody has to say which, or whether. */
    case Choose = 'choose';
    case Unknown = 'unknown';
    case NoPerson = 'no-person';
    /** Somebody an earlier line meant. */
    case Repeat = 'repeat';
}
