<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** Who is to be put into groups, of what size, and what the groups are to be like. */
final readonly class Question
{
    /**
     * @param list<string>        $people ids
     * @param list<Size>          $sizes  of each group, by its number
     * @param list<Wish>          $wishes
     * @param array<string, int>  $fixed  number of the group by person, of those who stay where they are
     */
    public function __construct(
        public array $people,
        public array $sizes,
        public array $wishes = [],
        public array $fixed = [],
    ) {}

    /** Whether there are as many people as the groups take. */
    public function fits(): bool
    {
        $people = \count($this->people);

        return $people >= array_sum(array_column($this->sizes, 'least'))
            && $people <= array_sum(array_column($this->sizes, 'most'));
    }
}
