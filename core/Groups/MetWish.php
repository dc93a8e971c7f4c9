<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** Nobody is with more than so many of those they were with before. */
final readonly class MetWish implements Wish
{
    /**
     * @param list<list<string>> $before ids of people who were together, group by group
     * @param int                $most   so many of them somebody may be with again
     * @param int                $weight of each one more, of each person; 0 for a wish that must be kept
     */
    public function __construct(public array $before, public int $most, private int $weight) {}

    public function weight(): int
    {
        return $this->weight;
    }
}
