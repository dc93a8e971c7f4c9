<?php

declare(strict_types=1);

namespace MintDoor\Core\Sites;

/** A run of levels, both ends included. */
final readonly class LevelBand
{
    /** @throws \InvalidArgumentException when the lowest is above the highest */
    public function __construct(public int $lowest, public int $highest)
    {
        if ($lowest > $highest) {
            throw new \InvalidArgumentException('The lowest level is above the highest.');
        }
    }

    public function contains(int $level): bool
    {
        return $this->lowest <= $level && $level <= $this->highest;
    }
}
