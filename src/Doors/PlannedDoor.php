<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Time\Window;

/** A door as it was asked for, checked. */
final readonly class PlannedDoor
{
    public function __construct(
        public DoorKind $kind,
        public string $name,
        public DoorPolicy $policy,
        public Window $hours,
    ) {}
}
