<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** What becomes of a move. */
enum MoveVerdict: string
{
    case Ready = 'ready';
    /** They are there already. */
    case There = 'there';
    /** Somebody else moved them since. */
    case ChangedSince = 'changed-since';
    /** The split is not about them: they are not here, or are no learners. */
    case NotHere = 'not-here';
    /** The group is not there any more. */
    case NoGroup = 'no-group';
    /** The group has no place left. */
    case Full = 'full';
}
