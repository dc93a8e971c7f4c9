<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

use MintDoor\Core\Text\Folding;

/**
 * What a division calls its levels. Levels are rungs of one ladder for the whole platform, so that those of two
 * divisions can be compared; a division says on which rung it begins, and what its rungs are called, upwards.
 */
final readonly class Levels
{
    /** The ladder ends here. */
    public const HIGHEST = 40;

    /**
     * @param int          $first the rung of the first name, 1 or more
     * @param list<string> $names upwards; none where people have no level
     */
    public function __construct(public int $first, public array $names) {}

    /** What a rung is called here; null where it is none of these. */
    public function nameOf(int $level): ?string
    {
        return $this->names[$level - $this->first] ?? null;
    }

    /** The rung that is called so, whatever its case, its accents and the blanks between its words; null for none. */
    public function called(string $name): ?int
    {
        $wanted = self::fold($name);
        foreach ($this->names as $index => $each) {
            if (self::fold($each) === $wanted) {
                return $this->first + $index;
            }
        }

        return null;
    }

    public function has(int $level): bool
    {
        return null !== $this->nameOf($level);
    }

    /** The highest rung; below the first where there are none. */
    public function last(): int
    {
        return $this->first + \count($this->names) - 1;
    }

    public static function fold(string $name): string
    {
        return implode(' ', Folding::tokens($name));
    }
}
