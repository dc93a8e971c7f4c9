<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** People stay in the groups they are in. */
final readonly class StayWish implements Wish
{
    /**
     * @param array<string, int> $places number of the group by person
     * @param int                $weight of each who goes to another, 1 or more
     */
    public function __construct(public array $places, private int $weight) {}

    public function weight(): int
    {
        return $this->weight;
    }
}
