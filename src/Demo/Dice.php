<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** Chance that falls the same way every time. */
final readonly class Dice
{
    private Randomizer $randomizer;

    public function __construct(int $seed)
    {
        $this->randomizer = new Randomizer(new Xoshiro256StarStar($seed));
    }

    /** A whole number from 0 to just below. */
    public function below(int $bound): int
    {
        return $this->randomizer->getInt(0, $bound - 1);
    }

    /** As `below()`, but small numbers come much more often than large ones. */
    public function skewed(int $bound): int
    {
        return (int) floor($bound * ($this->randomizer->getInt(0, 999_999) / 1_000_000) ** 2);
    }

    public function between(int $lowest, int $highest): int
    {
        return $this->randomizer->getInt($lowest, $highest);
    }

    public function chance(int $percent): bool
    {
        return $this->below(100) < $percent;
    }

    /**
     * @template T
     *
     * @param list<T> $items
     *
     * @return list<T> so many of them, in no order
     */
    public function some(array $items, int $count): array
    {
        return \array_slice(array_values($this->randomizer->shuffleArray($items)), 0, $count);
    }

    /**
     * @template T
     *
     * @param non-empty-list<T> $items
     *
     * @return T
     */
    public function one(array $items): mixed
    {
        return $items[$this->below(\count($items))];
    }
}
