<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** Why a line that names somebody is asked about all the same. */
enum Doubt: string
{
    /** It says that they do not come, or is struck out. */
    case NotComing = 'not-coming';
    /** It names one who comes in place of another, or two of whom one is only to say who the other is. */
    case OneOfTwo = 'one-of-two';
    /** The number or address is one person's, the name another's. */
    case TwoPeople = 'two-people';
    /** Nobody of that name is of the level, division or kind that the line says. */
    case SaysOtherwise = 'says-otherwise';
}
