<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

use MintDoor\Core\People\Person;
use MintDoor\Core\Sites\LevelBand;

/**
 * Rules of a role for some of those who hold it, told apart by division and level: the person decides, nobody picks.
 */
final readonly class Band
{
    /**
     * @param list<string>     $divisions   codes
     * @param ?LevelBand       $levels      null for every level, and for none
     * @param list<Permission> $permissions in place of the role's own
     */
    public function __construct(
        public string $name,
        public array $divisions,
        public ?LevelBand $levels,
        public array $permissions,
    ) {}

    public function covers(Person $person): bool
    {
        return \in_array($person->division, $this->divisions, true)
            && (null === $this->levels || (null !== $person->level && $this->levels->contains($person->level)));
    }
}
