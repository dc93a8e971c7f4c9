<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** What to give up where not all that must be kept can be kept: the smallest of it with which all the rest can. */
final class WayOut
{
    /** So many are tried, with so many steps each. */
    private const TRIES = 40;

    private const STEPS = 60_000;

    private function __construct() {}

    /**
     * @param list<list<int>>           $parts  numbers of wishes that are given up together, the smallest first
     * @param int                       $steps  of each try
     * @param ?\Closure(int, int): bool $goesOn is told how many are tried, and of how many; false is enough
     *
     * @return ?int which of the parts; null where none of them alone is in the way, or all can be kept as it is
     */
    public static function find(
        Question $question,
        array $parts,
        string $seed,
        int $steps = self::STEPS,
        ?\Closure $goesOn = null,
    ): ?int {
        $parts = \array_slice($parts, 0, self::TRIES);
        foreach ($parts as $n => $part) {
            if (null !== $goesOn && !$goesOn($n, \count($parts))) {
                return null;
            }
            $wishes = array_values(array_diff_key($question->wishes, array_flip($part)));
            $without = new Question($question->people, $question->sizes, self::musts($wishes), $question->fixed);
            $places = Computer::compute($without, $seed, $steps, 1);
            if (0 === Cost::of($without, $places)->broken) {
                return $n;
            }
        }

        return null;
    }

    /**
     * @param list<Wish> $wishes
     *
     * @return list<Wish> those that must be kept
     */
    private static function musts(array $wishes): array
    {
        return array_values(array_filter($wishes, static fn(Wish $wish): bool => 0 === $wish->weight()));
    }
}
