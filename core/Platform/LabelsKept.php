<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

use MintDoor\Core\Text\Folding;

/** Which labels staff put on people: whatever they write, or those of a list. */
final readonly class LabelsKept
{
    /**
     * @param bool         $free  whether staff write labels of their own
     * @param list<string> $names of the list; without meaning where they are free
     */
    public function __construct(public bool $free = true, public array $names = []) {}

    /**
     * As it is written in the list, however somebody capitalised or accented it.
     *
     * @return ?string null for one that may not be put on anybody
     */
    public function named(string $typed): ?string
    {
        if ($this->free) {
            return $typed;
        }
        foreach ($this->names as $name) {
            if (self::fold($name) === self::fold($typed)) {
                return $name;
            }
        }

        return null;
    }

    /**
     * Those of the list that have what was typed in them, those that begin with it first.
     *
     * @return list<string>
     */
    public function like(string $typed): array
    {
        $typed = self::fold($typed);
        $found = array_filter(
            $this->names,
            static fn(string $name): bool => '' === $typed || str_contains(self::fold($name), $typed),
        );
        $begins = static fn(string $name): int => (int) !str_starts_with(self::fold($name), $typed);
        usort($found, static fn(string $a, string $b): int => [$begins($a), self::fold($a)] <=> [
            $begins($b),
            self::fold($b),
        ]);

        return $found;
    }

    public static function fold(string $name): string
    {
        return implode(' ', Folding::tokens($name));
    }
}
