<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/**
 * The divisions of a platform, each below the one it is a part of. Whatever holds for a division holds for those below
 * it: who administers it, who reaches it, which rules it has. A parent that is none is no parent; `SettingsLaws`
 * refuses rings.
 */
final readonly class DivisionTree
{
    /** @var array<string, Division> by code */
    private array $divisions;

    /** @var array<string, list<string>> by code, itself and those above it, the nearest first */
    private array $above;

    /** @param list<Division> $divisions */
    public function __construct(array $divisions)
    {
        $this->divisions = array_column($divisions, null, 'code');
        $above = [];
        foreach ($this->divisions as $code => $division) {
            $way = [(string) $code => true];
            while (isset($this->divisions[$division->parent ?? '']) && !isset($way[$division->parent])) {
                $way[$division->parent] = true;
                $division = $this->divisions[$division->parent];
            }
            $above[$code] = array_map(strval(...), array_keys($way));
        }
        $this->above = $above;
    }

    /** @return list<Division> */
    public function all(): array
    {
        return array_values($this->divisions);
    }

    public function find(string $code): ?Division
    {
        return $this->divisions[$code] ?? null;
    }

    /** @return list<string> codes of itself and those above it, the nearest first; none of a division that is none */
    public function above(string $code): array
    {
        return $this->above[$code] ?? [];
    }

    /** Whether one is the other or a part of it. */
    public function within(string $code, string $of): bool
    {
        return $code === $of || \in_array($of, $this->above($code), true);
    }

    /**
     * What whoever has some divisions has with them.
     *
     * @param list<string> $codes
     *
     * @return list<string> themselves and all below them, each once
     */
    public function reach(array $codes): array
    {
        $reached = array_flip($codes);
        foreach ($this->above as $code => $way) {
            if ([] !== array_intersect($way, $codes)) {
                $reached[$code] = true;
            }
        }

        return array_map(strval(...), array_keys($reached));
    }

    /** @return list<string> codes of those that are on the way to themselves, in the order of their codes */
    public function rings(): array
    {
        $rings = [];
        foreach ($this->divisions as $code => $division) {
            $seen = [];
            for ($at = $division; null !== $at && !isset($seen[$at->code]); $at = $this->find($at->parent ?? '')) {
                $seen[$at->code] = true;
            }
            if (null !== $at && $at->code === (string) $code) {
                $rings[] = (string) $code;
            }
        }
        sort($rings);

        return $rings;
    }

    /**
     * All of them as they are read: each followed by those below it, those beside one another by name. Those of a ring
     * come last.
     *
     * @return list<array{division: Division, depth: int}>
     */
    public function inOrder(): array
    {
        $tops = $below = $rows = [];
        foreach ($this->divisions as $code => $division) {
            $above = $this->above[$code][1] ?? null;
            if (null === $above) {
                $tops[] = $division;
            } else {
                $below[$above][] = $division;
            }
        }
        self::walk($tops, $below, 0, $rows);
        self::walk(array_values(array_diff_key($this->divisions, $rows)), $below, 0, $rows);

        return array_values($rows);
    }

    /**
     * @param list<Division>                                           $here
     * @param array<string, list<Division>>                            $below by the code of the one above
     * @param array<string, array{division: Division, depth: int}> $rows  those that were read, by code
     */
    private static function walk(array $here, array $below, int $depth, array &$rows): void
    {
        foreach (self::byName($here) as $division) {
            if (!isset($rows[$division->code])) {
                $rows[$division->code] = ['division' => $division, 'depth' => $depth];
                self::walk($below[$division->code] ?? [], $below, $depth + 1, $rows);
            }
        }
    }

    /**
     * @param list<Division> $divisions
     *
     * @return list<Division>
     */
    private static function byName(array $divisions): array
    {
        usort(
            $divisions,
            static fn(Division $a, Division $b): int => [mb_strtolower($a->name), $a->code] <=> [
                mb_strtolower($b->name),
                $b->code,
            ],
        );

        return $divisions;
    }

    /** The levels of a division: its own, or those of the nearest above that has its own; null where none has. */
    public function levels(string $code): ?Levels
    {
        foreach ($this->above($code) as $each) {
            if (null !== $this->divisions[$each]->levels) {
                return $this->divisions[$each]->levels;
            }
        }

        return null;
    }
}
