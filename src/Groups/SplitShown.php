<?php

declare(strict_types=1);

namespace MintDoor\Groups;

/** Schema `SplitFacts`: a split without its groups. */
final readonly class SplitShown
{
    /**
     * @param ?string $section id of the section whose people it divides; null for all of the site
     * @param int     $groups  how many it has
     * @param list<GroupNamed> $names those, in their order
     * @param int     $people  how many it is about
     * @param int     $without how many of them are in no group
     * @param ?string $choosesFrom the first day on which people choose by themselves; null where they never do
     * @param ?string $choosesUntil the last
     * @param bool    $chooses whether they do now
     * @param string  $arrives into which group whoever comes later is put by itself
     * @param ?string $madeFrom what they are that its groups were made from; null for so many
     * @param ?string $awayAt  instant at which it was put away
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?string $section,
        public ?int $least,
        public ?int $most,
        public int $groups,
        public array $names,
        public int $people,
        public int $without,
        public ?string $choosesFrom,
        public ?string $choosesUntil,
        public bool $chooses,
        public bool $founds,
        public bool $settles,
        public string $arrives,
        public ?string $madeFrom,
        public ?string $awayAt,
        public int $version,
    ) {}
}
