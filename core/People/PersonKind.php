<?php

declare(strict_types=1);

namespace MintDoor\Core\People;

enum PersonKind: string
{
    case Learner = 'learner';
    case Staff = 'staff';
    case Guardian = 'guardian';
    case External = 'external';
}
