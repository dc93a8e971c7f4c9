<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/**
 * Numbers that look drawn, the same for the same seed (Park, Miller 1988, "Random number generators: good ones are hard
 * to find", with the multiplier of 1993).
 */
final class Chance
{
    private const OUT_OF = 2_147_483_647;

    private int $state;

    public function __construct(string $seed)
    {
        $this->state = 1 + hexdec(substr(hash('sha256', $seed), 0, 8)) % (self::OUT_OF - 1);
    }

    /** From 0 to less than 1. */
    public function share(): float
    {
        $this->state = $this->state * 48_271 % self::OUT_OF;

        return ($this->state - 1) / self::OUT_OF;
    }

    /** From 0 to one less than a number. */
    public function below(int $n): int
    {
        return (int) ($n * $this->share());
    }
}
