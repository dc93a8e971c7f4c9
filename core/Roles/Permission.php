<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

/** What a role lets somebody do in a site. */
enum Permission: string
{
    case Enter = 'enter';
    case EnterDraft = 'enter-draft';
    case ReadClosed = 'read-closed';
    case SeeRoster = 'see-roster';
    case SeeUnlisted = 'see-unlisted';
    case LetIn = 'let-in';
    case RunSite = 'run-site';
    case SeeLogbook = 'see-logbook';
    case DoWork = 'do-work';
    case SeeMarks = 'see-marks';
    case EnterMarks = 'enter-marks';
    case MakeItems = 'make-items';
}
