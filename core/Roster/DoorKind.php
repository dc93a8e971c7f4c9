<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

enum DoorKind: string
{
    case Desk = 'desk';
    case Key = 'key';
    case Invitation = 'invitation';
    case Cohort = 'cohort';
    case Feed = 'feed';
    case LookIn = 'look-in';

    /** Whether the door keeps bringing people by itself, also those who were taken out. */
    public function keepsBringing(): bool
    {
        return self::Cohort === $this || self::Feed === $this;
    }
}
