<?php

declare(strict_types=1);

namespace MintDoor\Groups;

/** Schema `BalancedWish`: how far a wish is met. */
final readonly class BalancedWish
{
    /**
     * @param int                 $lacks  by how much it is broken
     * @param int                 $least  no groups break it by less
     * @param int                 $whole  by how much it could be broken at all
     * @param list<BalancedGroup> $groups what is counted, where something is
     * @param list<list<string>>  $people ids of those of whom it is not so
     */
    public function __construct(
        public int $lacks,
        public int $least,
        public int $whole,
        public array $groups,
        public array $people,
    ) {}
}
