<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Shared\Named;

/** Schema `CohortFacts`. */
final readonly class CohortShown
{
    /**
     * @param 'list'|'rule' $kind
     * @param ?Named        $division null for the whole platform
     * @param int           $people   how many belong now
     * @param int           $sites    how many it is connected to
     * @param bool          $keeps    whether the caller may change it
     * @param bool          $looking  whether its people are still looked at
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $kind,
        public ?Named $division,
        public int $people,
        public int $sites,
        public bool $keeps,
        public bool $looking,
        public int $version,
    ) {}
}
