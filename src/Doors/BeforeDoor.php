<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Doors\Entity\Invitation;

/** The door somebody stands before, and the invitation that was shown there. */
final readonly class BeforeDoor
{
    public function __construct(public SentenceDoor $door, public ?Invitation $invitation = null) {}
}
