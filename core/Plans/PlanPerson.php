<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/** Somebody a plan finds a place for. */
final readonly class PlanPerson
{
    /**
     * @param list<string> $wishes ids of sections, the first one first; no repeats
     * @param list<string> $cannot ids of sections they have something else at the time of, or may not be in
     * @param bool         $placed whether they have a place now: nobody loses it to somebody who has none
     */
    public function __construct(
        public string $id,
        public array $wishes = [],
        public array $cannot = [],
        public bool $placed = false,
    ) {}

    /**
     * How far down their wishes a section is: 1 for the first; one more than they have for one they did not name; null
     * where they cannot.
     */
    public function rank(string $section): ?int
    {
        if (\in_array($section, $this->cannot, true)) {
            return null;
        }
        $at = array_search($section, $this->wishes, true);

        return false === $at ? \count($this->wishes) + 1 : $at + 1;
    }
}
