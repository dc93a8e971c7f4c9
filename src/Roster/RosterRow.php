<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\People\PersonShown;

/** Somebody in a roster: an item of schema `Roster`. */
final readonly class RosterRow
{
    /**
     * @param string                      $entry    whether they can enter then
     * @param string                      $because  code of what decides it
     * @param ?string                     $lastSeen instant; null also for whoever may not know
     * @param ?array{done: int, of: int}  $work     pieces; null where they have none, or nobody may know
     * @param list<string>                $labels
     * @param list<string>                $groups   names of those they are in; empty for whoever may not know
     * @param \stdClass                   $details  what is kept under details that the caller sees, by code
     */
    public function __construct(
        public PersonShown $person,
        public ?StandingShown $standing,
        public string $entry,
        public string $because,
        public bool $listed,
        public ?string $lastSeen,
        public ?array $work,
        public array $labels,
        public array $groups,
        public \stdClass $details,
        public int $version,
    ) {}
}
