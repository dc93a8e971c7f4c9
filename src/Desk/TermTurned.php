<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\ComputedList;
use MintDoor\Roster\SiteAccess;

/** A site whose term was changed. */
final readonly class TermTurned
{
    /**
     * @param SiteAccess   $there    the site the next term is in
     * @param ComputedList $computed its people
     */
    public function __construct(
        public SiteAccess $there,
        public ComputedList $computed,
        public TermChangePart $part,
        public TermChangedSite $shown,
    ) {}
}
