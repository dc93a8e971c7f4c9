<?php

declare(strict_types=1);

namespace MintDoor\Core\Weeks;

/** Two hours that want somebody, or a room, at the same time, however often. */
final readonly class Clash
{
    /**
     * @param Meeting $one   of the first time
     * @param Meeting $other what is at that time besides
     * @param int     $times how often they meet at the same time, 1 or more
     */
    public function __construct(public Meeting $one, public Meeting $other, public int $times = 1) {}

    public function again(): self
    {
        return new self($this->one, $this->other, $this->times + 1);
    }
}
