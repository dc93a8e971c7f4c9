<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** One way of dividing people, as it stands: its groups, and who is in which. Nobody is in two. */
final readonly class Split
{
    /** @var array<string, Group> by id, in their order */
    public array $groups;

    /**
     * @param list<Group>            $groups
     * @param array<string, ?string> $places id of the group by person, of everybody it is about; null for none
     */
    public function __construct(array $groups, public array $places)
    {
        $this->groups = array_column($groups, null, 'id');
    }

    /** @return array<string, int> how many are in each group */
    public function counts(): array
    {
        $counts = array_fill_keys(array_keys($this->groups), 0);
        foreach ($this->places as $group) {
            null === $group || ($counts[$group] = ($counts[$group] ?? 0) + 1);
        }

        return $counts;
    }

    /** @param array<string, ?string> $places by person, of those who are elsewhere */
    public function with(array $places): self
    {
        return new self(array_values($this->groups), array_replace($this->places, $places));
    }
}
