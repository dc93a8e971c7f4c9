<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Roles\Permission;

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
    /** Into exactly these sections; none takes out of all. */
    case ChangeSections = 'change-sections';
    /** Into one more section, for staff and where the site lets people be in several; otherwise in place of theirs. */
    case PutInSection = 'put-in-section';
    case ClearSections = 'clear-sections';

    /** Whether it takes out or changes what doors brought; some doors leave that to administrators. */
    public function changesWaysIn(): bool
    {
        return \in_array($this, [self::ChangeRole, self::Remove, self::ChangeDates, self::Block], true);
    }

    /** Whether it wants somebody who is here. */
    public function wantsHere(): bool
    {
        return \in_array(
            $this,
            [
                self::ChangeRole,
                self::Remove,
                self::Pause,
                self::Resume,
                self::ChangeDates,
                self::ChangeSections,
                self::PutInSection,
            ],
            true,
        );
    }

    /** What whoever does it must be allowed to. */
    public function needs(): Permission
    {
        return \in_array($this, [self::ChangeSections, self::PutInSection, self::ClearSections], true)
            ? Permission::ArrangeSections
            : Permission::LetIn;
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
