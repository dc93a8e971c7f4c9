<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** A move and what becomes of it. */
final readonly class JudgedMove
{
    /** @param bool $over whether more people are in the group then than fit, on purpose */
    public function __construct(public Move $move, public MoveVerdict $verdict, public bool $over = false) {}

    public function isReady(): bool
    {
        return MoveVerdict::Ready === $this->verdict;
    }
}
