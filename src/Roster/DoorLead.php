<?php

declare(strict_types=1);

namespace MintDoor\Roster;

/** Into which section a door leads. */
final readonly class DoorLead
{
    /**
     * @param ?string $section id; null for none
     * @param bool    $chooses whether people come into whichever there is, by their choice or where room is
     */
    public function __construct(public ?string $section, public bool $chooses = false) {}
}
