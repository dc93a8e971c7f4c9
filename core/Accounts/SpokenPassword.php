<?php

declare(strict_types=1);

namespace MintDoor\Core\Accounts;

/**
 * Passwords that can be read aloud and typed by a child: four short words and a number, from `SpokenWords`. With 256
 * words and 90 numbers that is 38 bits, for an account whose tries are counted.
 */
final class SpokenPassword
{
    private function __construct() {}

    /** @param callable(int): int $chance a whole number from 0 to just below */
    public static function make(callable $chance): string
    {
        $words = SpokenWords::drawn();

        return implode('-', array_map(static fn(): string => $words[$chance(\count($words))], range(1, 4)))
            .'-'
            .(10 + $chance(90));
    }
}
