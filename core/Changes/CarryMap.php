<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

/** What doors and sections of one site become in another that people are carried to. */
final readonly class CarryMap
{
    /**
     * @param string                 $staff     id of the door of the other site's staff; what came by a door that stays
     *     behind counts as given there
     * @param list<string>           $doors     ids of doors that go along
     * @param array<string, ?string> $sections  id of a section there by the id of the one here; null where nothing is
     *     left to divide
     * @param ?string                $otherwise id of the section there of those who are in none here
     */
    public function __construct(
        public string $staff,
        public array $doors = [],
        public array $sections = [],
        public ?string $otherwise = null,
    ) {}

    /**
     * @param list<string> $sections ids here
     *
     * @return list<string> ids there, in their order
     */
    public function sections(array $sections): array
    {
        $there = array_filter(array_map(fn(string $id): ?string => $this->sections[$id] ?? null, $sections));
        if ([] === $sections && null !== $this->otherwise) {
            return [$this->otherwise];
        }
        sort($there);

        return array_values(array_unique($there));
    }

    /** Whether there is anything to divide people into there. */
    public function divides(): bool
    {
        return null !== $this->otherwise || [] !== array_filter($this->sections);
    }
}
