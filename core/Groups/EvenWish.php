<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** Groups are as good as each other in something that is a number: a level, a mark so far. */
final readonly class EvenWish implements Wish
{
    /** @var array<string, int> tenths by which each is above the mean of all, by person; others are not known */
    public array $above;

    /**
     * @param array<string, float|int> $values by person
     * @param int                      $weight of each tenth those of a group together are above or below the mean
     */
    public function __construct(array $values, private int $weight)
    {
        $mean = [] === $values ? 0.0 : array_sum($values) / \count($values);
        $this->above = array_map(static fn(float|int $value): int => (int) round(10 * ($value - $mean)), $values);
    }

    public function weight(): int
    {
        return $this->weight;
    }
}
