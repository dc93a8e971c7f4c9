<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

use MintDoor\Core\People\Person;
use MintDoor\Core\Roster\Segment;

/** People who are alike for every rule of a door. */
final readonly class Standers
{
    /**
     * @param Person   $person  one of them
     * @param ?string  $address of theirs, as far as its domain goes
     * @param ?Segment $here    what they are in the site now
     * @param int      $many    how many there are
     */
    public function __construct(
        public Person $person,
        public ?string $address,
        public ?Segment $here,
        public int $many,
    ) {}
}
