<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

/** What happens to somebody in a site by itself, from what is known today. */
enum Happens: string
{
    /** They can enter from then on. */
    case Begins = 'begins';
    /** They are not here any more. */
    case Ends = 'ends';
    case Pauses = 'pauses';
    case Resumes = 'resumes';
    /** A block is over, and they are not here. */
    case Unblocked = 'unblocked';
    case Role = 'role';
    case Section = 'section';
}
