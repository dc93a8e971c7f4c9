<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Sites\LevelBand;

/** A role as the platform has set it. */
final readonly class Role
{
    /**
     * @param string           $standard    role name of LIS 2.0 / LTI 1.3 ("Instructor", "Learner"…)
     * @param int              $rank        higher is shown first, and is what "above" means
     * @param list<Permission> $permissions
     * @param list<PersonKind> $for         kinds of person who may hold it
     * @param list<PersonKind> $suggestFor  kinds for whom it is offered first
     * @param list<string>     $givenBy     codes of the roles whose holders may give it; administrators always may
     * @param bool             $lead        whether it answers for the site: an open site has one
     * @param bool             $takesSeat   whether whoever holds it holds a seat
     * @param bool             $listed      whether it shows in the roster
     * @param ?string          $caution     a sentence that travels with it
     * @param ?LevelBand       $learnersOf  learners may hold it only at these levels; null for any
     * @param list<Band>       $bands
     */
    public function __construct(
        public string $code,
        public string $name,
        public string $standard,
        public int $rank,
        public array $permissions,
        public array $for,
        public array $suggestFor,
        public array $givenBy,
        public bool $lead = false,
        public bool $takesSeat = false,
        public bool $listed = true,
        public ?string $caution = null,
        public ?LevelBand $learnersOf = null,
        public array $bands = [],
    ) {}

    /** The same, where a band of a division is that of those below it, too. */
    public function over(DivisionTree $tree): self
    {
        return $this->with(
            $this->name,
            array_map(
                static fn(Band $band): Band => new Band(
                    $band->name,
                    $tree->reach($band->divisions),
                    $band->levels,
                    $band->permissions,
                ),
                $this->bands,
            ),
        );
    }

    /** @param list<Band> $bands */
    private function with(string $name, array $bands): self
    {
        return new self(
            $this->code,
            $name,
            $this->standard,
            $this->rank,
            $this->permissions,
            $this->for,
            $this->suggestFor,
            $this->givenBy,
            $this->lead,
            $this->takesSeat,
            $this->listed,
            $this->caution,
            $this->learnersOf,
            $bands,
        );
    }

    public function bandOf(Person $person): ?Band
    {
        foreach ($this->bands as $band) {
            if ($band->covers($person)) {
                return $band;
            }
        }

        return null;
    }

    /** @return list<Permission> */
    public function permissionsOf(Person $person): array
    {
        return $this->bandOf($person)->permissions ?? $this->permissions;
    }
}
