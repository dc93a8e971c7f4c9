<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Core\People\PersonVisibility;
use MintDoor\People\PersonRow;
use MintDoor\People\PersonShown;
use MintDoor\Shared\Row;

/** Somebody who was found, and how much of them the caller sees. */
final readonly class PersonSeen
{
    /** @param Row $row with `PersonRow::COLUMNS`, and how they stand in the site */
    public function __construct(public Row $row, public PersonVisibility $visibility) {}

    public function shown(): PersonShown
    {
        return PersonRow::shown($this->row, $this->visibility);
    }
}
