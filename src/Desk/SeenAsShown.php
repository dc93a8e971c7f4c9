<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Roster\ReasonShown;

/** As whom a site is shown: member `seenAs` of schema `Site`. */
final readonly class SeenAsShown
{
    /** @param string $as code of a role, or id of a person */
    public function __construct(public string $as, public string $name, public ReasonShown $reason) {}
}
