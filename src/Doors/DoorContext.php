<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Changes\ChangeContext;
use MintDoor\Core\Doors\Admission;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Row;

/** Somebody before a door, as things stand. */
final readonly class DoorContext
{
    /**
     * @param SiteAccess $access with the authority of the door
     * @param Row        $person with `PersonRow::COLUMNS`
     * @param ?Row       $waiter with `id`, `what`, `section_id`, `offered_until`: what they wait with at this door
     * @param int        $place  in the waiting line that is theirs, or would be
     */
    public function __construct(
        public SiteAccess $access,
        public Row $door,
        public DoorTermsJson $terms,
        public Row $person,
        public ChangeContext $context,
        public Admission $admission,
        public ?Row $waiter,
        public int $place,
    ) {}
}
