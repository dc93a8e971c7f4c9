<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** Two people are in one group, or in two: friends, people who share no free hour. */
final readonly class PairWish implements Wish
{
    /** @param int $weight of breaking it; 0 for a wish that must be kept */
    public function __construct(
        public string $one,
        public string $other,
        public bool $together,
        private int $weight,
    ) {}

    public function weight(): int
    {
        return $this->weight;
    }
}
