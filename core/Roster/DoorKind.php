<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

enum DoorKind: string
{
    case Staff = 'staff';
    case Key = 'key';
    case Invitation = 'invitation';
    case Cohort = 'cohort';
    case Feed = 'feed';
    case Preview = 'preview';

    /** Whether the door keeps bringing people by itself, also those who were removed. */
    public function keepsBringing(): bool
    {
        return self::Cohort === $this || self::Feed === $this;
    }

    /**
     * Whether who comes through it was brought by nobody's hand: by a list that is kept elsewhere, or by themselves.
     */
    public function bringsByItself(): bool
    {
        return \in_array($this, [self::Cohort, self::Feed, self::Key, self::Invitation], true);
    }
}
