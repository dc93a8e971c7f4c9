<?php

declare(strict_types=1);

namespace MintDoor\Roster;

/** What is so of everybody in a roster who is alike for the rules. */
final readonly class StandsAlike
{
    /**
     * @param string $entry   whether they can enter
     * @param string $because code of what decides it
     * @param bool   $works   whether they have work to do
     */
    public function __construct(
        public ?StandingShown $standing,
        public string $entry,
        public string $because,
        public bool $works,
    ) {}
}
