<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Roster\ReasonShown;
use MintDoor\Roster\StandingShown;
use MintDoor\Roster\Stretch;
use MintDoor\Sites\SiteFacts;

/** A site of somebody: member `sites` of schema `PersonPage`. */
final readonly class SiteOfPerson
{
    /** @param list<Stretch> $stretches */
    public function __construct(
        public SiteFacts $site,
        public ?StandingShown $standing,
        public ReasonShown $reason,
        public array $stretches,
    ) {}
}
