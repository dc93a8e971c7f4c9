<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

enum Verb: string
{
    case LetIn = 'let-in';
    case ChangeRole = 'change-role';
    case TakeOut = 'take-out';
    case BringBack = 'bring-back';
    case Pause = 'pause';
    case Resume = 'resume';
    case ChangeDates = 'change-dates';
    case KeepOut = 'keep-out';
    case LiftKeepOut = 'lift-keep-out';
    case LiftRole = 'lift-role';
    case LiftDates = 'lift-dates';

    /** Whether it takes out or changes what doors brought; some doors leave that to administrators. */
    public function changesWaysIn(): bool
    {
        return \in_array($this, [self::ChangeRole, self::TakeOut, self::ChangeDates, self::KeepOut], true);
    }

    /** Whether it wants somebody who is here. */
    public function wantsHere(): bool
    {
        return \in_array($this, [self::ChangeRole, self::TakeOut, self::Pause, self::Resume, self::ChangeDates], true);
    }
}
