<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Roster\ReasonShown;
use MintDoor\Roster\StandingShown;

/** How the caller stands in a site: member `mine` of schema `SiteSummary`. */
final readonly class OwnStanding
{
    public function __construct(public ?StandingShown $standing, public ReasonShown $reason) {}
}
