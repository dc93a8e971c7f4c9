<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Schema `Numbers`: how full sites are, and how many have come, without anybody's name. */
final readonly class NumbersAnswer
{
    /**
     * @param list<NumbersOfDivision> $divisions sums, by name
     * @param list<NumbersOfSite>     $sites     by title
     * @param bool                    $more      whether there are more sites than these
     * @param int                     $least     of fewer learners nothing is told but how many they are; 0 for whoever
     *                                           may see them anyhow
     * @param int                     $days      within which whoever came counts as having come lately
     */
    public function __construct(
        public array $divisions,
        public array $sites,
        public bool $more,
        public int $least,
        public int $days,
    ) {}
}
