<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Platform\Levels;

/** Schema `LevelsOffered`: the levels somebody may have who makes an account at a door. */
final readonly class LevelsOffered
{
    /** Where neither the door nor its site says any. */
    private const HIGHEST = 10;

    /** @param list<string> $names from the lowest to the highest; none where they have numbers */
    private function __construct(public int $lowest, public int $highest, public array $names) {}

    /**
     * @param ?int    $lowest  that the door or its site says
     * @param ?int    $highest that the door or its site says
     * @param ?Levels $levels  of the division they will belong to; null where levels have numbers
     *
     * @return ?self null where people of the division have no level
     */
    public static function of(?int $lowest, ?int $highest, ?Levels $levels): ?self
    {
        if (null === $levels) {
            return new self($lowest ?? 1, max($lowest ?? 1, $highest ?? self::HIGHEST), []);
        }
        $lowest = max($levels->first, $lowest ?? 1);
        $highest = min($levels->last(), $highest ?? Levels::HIGHEST);

        return $lowest > $highest
            ? null
            : new self(
                $lowest,
                $highest,
                \array_slice($levels->names, $lowest - $levels->first, $highest - $lowest + 1),
            );
    }

    public function has(int $level): bool
    {
        return $this->lowest <= $level && $level <= $this->highest;
    }
}
