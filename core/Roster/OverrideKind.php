<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

enum OverrideKind: string
{
    /** On a grant: it was taken back, by hand or by its door. */
    case Withdrawn = 'withdrawn';
    /** On a grant: giving it was undone; from then on it is as if it had not been given. */
    case Undone = 'undone';
    /** On an enrollment: a role changed by hand, in place of what the grants give. */
    case Role = 'role';
    /** On an enrollment: dates set by hand, in place of those of the grants. */
    case Dates = 'dates';
    /** On an enrollment: the sections somebody was put into by hand, in place of those of the grants. */
    case Sections = 'sections';
    /** On an enrollment. */
    case Paused = 'paused';
    /** On an enrollment: refused at every door of the site. */
    case Blocked = 'blocked';
}
