<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Roster\ReasonShown;

/** Who could enter a site when a term begins. */
final readonly class TermFirstDay
{
    /**
     * @param string                                     $at     instant
     * @param int                                        $enter  how many could
     * @param int                                        $look   how many could only look, as their role has it
     * @param list<array{reason: ReasonShown, people: int}> $groups the others by what decides
     */
    public function __construct(
        public string $at,
        public int $enter,
        public int $look,
        public array $groups,
    ) {}
}
