<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Shared\Problem;

/** What brings people by doors that have no terms of their own. */
interface LeadsAlong
{
    /**
     * @param list<string> $doors ids
     *
     * @return array<string, DoorLead> by id of the door
     */
    public function leads(array $doors): array;

    /** @return list<string> names of what brings people into a section now */
    public function into(string $section): array;

    /**
     * @param array<string, ?string> $sections id of the section into which each door leads from now on; null for none
     *
     * @throws Problem where what is brought there would follow from itself
     */
    public function lead(array $sections): void;
}
