<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/** Who of those that are in a section already may go to another. */
enum Moves: string
{
    case Nobody = 'nobody';
    /** As few as can be, to make room for whoever comes late. */
    case Few = 'few';
    case All = 'all';
}
