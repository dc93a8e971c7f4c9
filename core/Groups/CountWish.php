<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** Each group has from so many to so many of some people: two violins, as many of a division as others have. */
final readonly class CountWish implements Wish
{
    /**
     * @param list<string> $who    ids of people
     * @param int          $weight of each person too few or too many in a group; 0 for a wish that must be kept
     */
    public function __construct(public array $who, public int $least, public int $most, private int $weight) {}

    public function weight(): int
    {
        return $this->weight;
    }
}
