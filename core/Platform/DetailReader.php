<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** Who may see or change a detail of somebody beside the administrators of their division, who always may. */
enum DetailReader: string
{
    /** Staff who know everything of them see it; those who look after them change it. */
    case Staff = 'staff';
    case Themselves = 'themselves';
}
