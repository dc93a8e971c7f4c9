<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Changes\ChangeContext;
use MintDoor\Core\Doors\Admission;
use MintDoor\Doors\Entity\WaitingRecord;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Row;

/** Somebody before a door, as things stand. */
final readonly class DoorContext
{
    /**
     * @param SiteAccess     $access  with the authority of the door
     * @param Row            $person  with `PersonRow::COLUMNS` and `gone`
     * @param ?WaitingRecord $waiting what they wait with at this door
     * @param int            $place   in the waiting list that is theirs, or would be
     */
    public function __construct(
        public SiteAccess $access,
        public SentenceDoor $door,
        public Row $person,
        public ChangeContext $context,
        public Admission $admission,
        public ?WaitingRecord $waiting,
        public int $place,
    ) {}

    public function personId(): string
    {
        return $this->person->id('person_id');
    }
}
