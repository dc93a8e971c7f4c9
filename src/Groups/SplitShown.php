<?php

declare(strict_types=1);

namespace MintDoor\Groups;

/** Schema `SplitFacts`: a split without its groups. */
final readonly class SplitShown
{
    /**
     * @param ?string $section id of the section whose people it divides; null for all of the site
     * @param int     $groups  how many it has
     * @param int     $people  how many it is about
     * @param int     $without how many of them are in no group
     * @param ?string $awayAt  instant at which it was put away
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?string $section,
        public ?int $least,
        public ?int $most,
        public int $groups,
        public int $people,
        public int $without,
        public ?string $awayAt,
        public int $version,
    ) {}
}
