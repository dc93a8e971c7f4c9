<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\People\PersonShown;
use MintDoor\Roster\StandingShown;

/** Somebody a line may mean: member `candidates` of schema `PastedLine`. */
final readonly class CandidateMeant
{
    /**
     * @param string  $visibility how much of them the caller sees
     * @param ?string $suggested  code of a role
     * @param string  $evidence   code
     * @param bool    $remembered whether somebody settled this line so here before
     * @param bool    $wanted     whether they are of a kind the role is for
     */
    public function __construct(
        public PersonShown $person,
        public string $visibility,
        public ?StandingShown $standing,
        public ?string $suggested,
        public string $evidence,
        public bool $remembered,
        public bool $wanted,
    ) {}
}
