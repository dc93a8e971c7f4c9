<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\Role;

/** As what somebody is counted in a roster: "24 learners, 3 staff, 1 unlisted". */
enum CountedAs: string
{
    case Learner = 'learners';
    case Staff = 'staff';
    /** Listed, but neither: a guest. */
    case Other = 'others';
    case Unlisted = 'unlisted';

    /** @param ?Role $role the highest-ranked one held; null where it is no role of the platform any more */
    public static function of(State $state, ?Role $role, bool $listed): ?self
    {
        return match (true) {
            !$state->here() => null,
            !$listed => self::Unlisted,
            true === $role?->takesSeat => self::Learner,
            \in_array(PersonKind::Staff, $role->for ?? [], true) => self::Staff,
            default => self::Other,
        };
    }
}
