<?php

declare(strict_types=1);

namespace MintDoor\Core\Cohorts;

/** What is to be done at the door of a connection so that somebody has there what they are to have. */
enum StepKind
{
    case None;
    case Come;
    /** They stay, for another time than before. */
    case Change;
    case Go;
}
