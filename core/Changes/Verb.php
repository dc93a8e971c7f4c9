<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\Messages\MessageKind;

enum Verb: string
{
    case LetIn = 'let-in';
    case ChangeRole = 'change-role';
    case Remove = 'remove';
    case BringBack = 'bring-back';
    case Pause = 'pause';
    case Resume = 'resume';
    case ChangeDates = 'change-dates';
    case Block = 'block';
    case Unblock = 'unblock';
    case ClearRole = 'clear-role';
    case ClearDates = 'clear-dates';

    /** Whether it takes out or changes what doors brought; some doors leave that to administrators. */
    public function changesWaysIn(): bool
    {
        return \in_array($this, [self::ChangeRole, self::Remove, self::ChangeDates, self::Block], true);
    }

    /** Whether it wants somebody who is here. */
    public function wantsHere(): bool
    {
        return \in_array($this, [self::ChangeRole, self::Remove, self::Pause, self::Resume, self::ChangeDates], true);
    }

    /** What such a change is told as; null for one nobody is told of. */
    public function toldAs(): ?MessageKind
    {
        return match ($this) {
            self::LetIn, self::BringBack => MessageKind::LetIn,
            self::ChangeRole, self::ClearRole => MessageKind::RoleChanged,
            self::Remove => MessageKind::Removed,
            default => null,
        };
    }
}
