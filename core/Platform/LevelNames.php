<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** Reads levels as people write them: by the names that divisions have for theirs, or by their number. */
final readonly class LevelNames
{
    /** @var array<string, list<int>> by folded name */
    private array $rungs;

    public function __construct(private DivisionTree $divisions)
    {
        $rungs = [];
        foreach ($divisions->all() as $division) {
            foreach ($division->levels->names ?? [] as $index => $name) {
                $rungs[Levels::fold($name)][] = ($division->levels->first ?? 1) + $index;
            }
        }
        unset($rungs['']);
        $this->rungs = array_map(static fn(array $each): array => array_values(array_unique($each)), $rungs);
    }

    /** @return list<int> the levels that some division calls so */
    public function called(string $name): array
    {
        return [] === $this->rungs ? [] : $this->rungs[Levels::fold($name)] ?? [];
    }

    /** @return list<string> what levels are called, folded */
    public function names(): array
    {
        return array_map(strval(...), array_keys($this->rungs));
    }

    /** @return list<string> codes of the divisions in which some level is called so */
    public function divisionsOf(string $name): array
    {
        $codes = array_column($this->divisions->all(), 'code');

        return array_values(
            array_filter(
                $codes,
                fn(string $code): bool => null !== $this->divisions->levels($code)?->called($name),
            ),
        );
    }

    /** A level as a number, alone or behind the word; null for anything else, and beyond the ladder. */
    public function number(string $text): ?int
    {
        $level = 1 === preg_match('/^(?:level\s*)?(\d{1,2})$/Di', trim($text), $found) ? (int) $found[1] : 0;

        return $level >= 1 && $level <= Levels::HIGHEST ? $level : null;
    }

    /** The level a text means in a division: what it is called there, or its number where it is one of these. */
    public function of(string $text, string $division): ?int
    {
        $levels = $this->divisions->levels($division);
        $number = $this->number($text);

        return $levels?->called($text) ?? (false === $levels?->has($number ?? 0) ? null : $number);
    }

    /**
     * A run of levels, such as "Year 7 to Year 9", "6-8" or "level 5".
     *
     * @return ?array{int, int} the lowest and the highest as they are written
     */
    public function run(string $text, string $division): ?array
    {
        $one = $this->of($text, $division);
        if (null !== $one) {
            return [$one, $one];
        }
        // The name of a level may have a hyphen itself: each is tried for the one between the two.
        $parts = preg_split('/(\s*(?:-|–|—|\bto\b|\buntil\b)\s*)/u', $text, -1, \PREG_SPLIT_DELIM_CAPTURE) ?: [];
        for ($at = 1; $at < \count($parts); $at += 2) {
            $from = $this->of(implode('', \array_slice($parts, 0, $at)), $division)
                ?? $this->number((string) preg_replace('/^\D+/u', '', implode('', \array_slice($parts, 0, $at))));
            $until = $this->of(implode('', \array_slice($parts, $at + 1)), $division);
            if (null !== $from && null !== $until) {
                return [$from, $until];
            }
        }
        $alone = $this->number((string) preg_replace('/^\D+/u', '', $text));

        return null === $alone ? null : [$alone, $alone];
    }
}
