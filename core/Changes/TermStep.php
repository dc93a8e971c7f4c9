<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

/** What becomes of somebody of a site when its term changes. */
enum TermStep
{
    /** They are not here, or only come later. */
    case None;
    case Stays;
    /** They would have ended with the old term, and stay to the end of the new one. */
    case StaysOn;
    case LeavesSection;
    case Leaves;
    /** They leave, and would have by then without it. */
    case Ends;
    /** They are here by a cohort, and stay for as long as it has them. */
    case Follows;
}
