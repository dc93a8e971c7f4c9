<?php

declare(strict_types=1);

namespace MintDoor\Groups;

/** Schema `GroupBalance`. */
final readonly class BalanceAnswer
{
    /**
     * @param list<BalancedWish> $wishes in the order in which they are said
     * @param int   $broken by how much wishes are broken that must be kept
     * @param int   $sizes  by how many people groups are too small or too large
     * @param float $met    which part of the other wishes is met, from 0 to 1
     * @param float $best   no groups meet more
     * @param bool  $isBest whether no other groups meet them better, as can be told
     */
    public function __construct(
        public array $wishes,
        public int $broken,
        public int $sizes,
        public float $met,
        public float $best,
        public bool $isBest,
    ) {}
}
