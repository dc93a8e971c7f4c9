<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\People\PersonShown;
use MintDoor\Roster\RoleOption;
use MintDoor\Roster\StandingShown;

/** Somebody who may be let in, what they are here, and as what they may be let in: schema `Candidate`. */
final readonly class CandidateShown
{
    /**
     * @param string           $visibility how much of them the caller sees
     * @param ?string          $suggested  code of a role
     * @param list<RoleOption> $options
     * @param bool             $asks       whether letting them in waits for a yes of their division
     */
    public function __construct(
        public PersonShown $person,
        public string $visibility,
        public ?StandingShown $standing,
        public ?string $suggested,
        public array $options,
        public bool $asks,
    ) {}
}
