<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\People\NameKind;
use MintDoor\Core\Text\NameKeys;

/** How the words of a line fit somebody's names. */
final readonly class NameFit
{
    /** How far a word is from a name, by what it takes to get there. */
    private const EXACT = 0.0;
    private const SPELLED = 0.05;
    private const SHORT = 0.1;
    private const INITIAL = 0.2;
    private const NEAR = 0.3;
    private const TWICE = 1.5;

    /** Which name a word is of; further ones have two numbers each. */
    private const GIVEN = 0;
    private const PREFERRED = 1;
    private const FAMILY = 2;
    private const FURTHER = 3;

    /** Shorter names have too many neighbours. */
    private const LONG_ENOUGH = 4;

    private const LONG_FOR_TWO = 6;

    public function __construct(private Wording $wording) {}

    /**
     * @param list<string>                 $words     folded
     * @param array<string, list<string>>  $spellings other ways to write a word
     * @param array<int, bool>             $sides     words that are a family name, or a given one, by their place
     */
    public function of(array $words, Known $known, array $spellings = [], array $sides = []): ?Fit
    {
        $slots = self::slots($known);
        $pairs = $this->assigned($words, $slots, $spellings, $sides);
        $given = $family = $used = $placed = [];
        $worst = self::EXACT;
        $near = 0;
        foreach ($pairs as [$place, $slot, $apart]) {
            [, $side, $source] = $slots[$slot];
            $used[$source][] = $slot;
            $placed[$place] = true;
            if (self::counts($slots, $slot)) {
                $side ? ($family[] = $slot) : ($given[] = $slot);
            }
            $worst = max($worst, $apart);
            $near += $apart >= self::TWICE ? 2 : (int) ($apart >= self::NEAR);
        }
        if ([] === $given || [] === $family || $near > 2 || !$this->whole($pairs, $slots)) {
            return null;
        }
        $left = [];
        foreach ($words as $place => $word) {
            if (
                !isset($placed[$place])
                && (!NameKeys::isParticle($word) || self::isAName($place, $words, $pairs, $slots))
            ) {
                $left[] = $place;
            }
        }
        [$lessGiven, $lessFamily] = self::missing($slots, $used);
        // Given names of two of their names, one behind the other, are hardly theirs.
        $mixed = !$this->isOfOneName($words, $pairs, $slots);
        $missing = $lessGiven + $lessFamily + (int) $mixed;
        $first = $this->first($slots, $used);
        $slips = $near < 2 || $this->bothLong($pairs, $slots);
        [$evidence, $clear] = match (true) {
            $worst >= self::NEAR => [
                Evidence::SmallDifference,
                $slips && $missing < 2 && $first && $this->isASlip($pairs, $slots),
            ],
            $worst >= self::INITIAL => [
                Evidence::Initials,
                // A given name and the first letter of another are too little.
                $lessFamily < 1 && ($first || $missing < 2) && self::hasFamily($pairs, $slots),
            ],
            $missing > 0 => [Evidence::PartOfTheName, $lessFamily < 2 && ($first || 0 === $lessFamily)],
            $worst >= self::SHORT => [Evidence::Nickname, true],
            $worst >= self::SPELLED => [Evidence::Transliteration, true],
            isset($used[self::FAMILY]) && !$this->allParticles($slots, $used) => [Evidence::Particles, true],
            null !== ($kind = self::furtherKind($known, $used)) => [Evidence::ofName($kind), true],
            isset($used[self::PREFERRED]) => [Evidence::PreferredName, true],
            default => [Evidence::FullName, true],
        };
        $keys = [];
        foreach ($given as $one) {
            foreach ($family as $other) {
                [$g, $f] = [NameKeys::canon($slots[$one][0]), NameKeys::canon($slots[$other][0])];
                // Whoever is named by a letter or with a slip was looked up by a letter, too.
                $all = $worst >= self::INITIAL ? [[$g, $f], [$g[0], $f], [$g, $f[0]]] : [[$g, $f]];
                foreach ($all as $pair) {
                    $keys[] = NameKeys::pair(...$pair);
                }
            }
        }

        return new Fit(
            $evidence,
            array_keys($placed),
            self::ofFamily($pairs, $slots),
            $left,
            $clear,
            $mixed || $worst >= self::INITIAL || $lessFamily > 0 || ($lessGiven > 0 && !$first),
            self::isOrdered($pairs, $slots),
            $keys,
            $mixed,
        );
    }

    /**
     * Those of some words that stand for one of somebody's names.
     *
     * @param list<string> $words folded
     *
     * @return list<string>
     */
    public function placed(array $words, Known $known): array
    {
        $places = array_column($this->assigned($words, self::slots($known), [], []), 0);

        return array_values(array_intersect_key($words, array_fill_keys($places, true)));
    }

    /**
     * Whether a family name is there in full.
     *
     * @param list<array{int, int, float}>   $pairs
     * @param list<array{string, bool, int}> $slots
     */
    private static function hasFamily(array $pairs, array $slots): bool
    {
        foreach ($pairs as [, $slot, $apart]) {
            if ($slots[$slot][1] && self::INITIAL !== $apart) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param list<array{int, int, float}>   $pairs
     * @param list<array{string, bool, int}> $slots
     */
    private static function isOrdered(array $pairs, array $slots): bool
    {
        $last = [];
        usort($pairs, static fn(array $a, array $b): int => $a[0] <=> $b[0]);
        foreach ($pairs as [, $slot]) {
            [, $family, $source] = $slots[$slot];
            if (!$family && $slot < ($last[$source] ?? -1)) {
                return false;
            }
            $last[$source] = $slot;
        }

        return true;
    }

    /**
     * @param list<array{int, int, float}>   $pairs
     * @param list<array{string, bool, int}> $slots
     *
     * @return list<int> places of words
     */
    private static function ofFamily(array $pairs, array $slots): array
    {
        $family = array_filter($pairs, static fn(array $pair): bool => $slots[$pair[1]][1]);

        return array_values(array_unique(array_column($family, 0)));
    }

    /**
     * Whether all the given names that are there are of one name: the usual one, the preferred one, a further one.
     *
     * @param list<string>                   $words
     * @param list<array{int, int, float}>   $pairs
     * @param list<array{string, bool, int}> $slots
     */
    private function isOfOneName(array $words, array $pairs, array $slots): bool
    {
        $own = $sources = [];
        foreach ($pairs as [$place, $slot]) {
            if (!$slots[$slot][1]) {
                $own[$place] = $words[$place];
                $sources[$slots[$slot][2]] = true;
            }
        }
        if (\count($sources) < 2) {
            return true;
        }
        foreach (array_keys($sources) as $source) {
            $names = array_filter($slots, static fn(array $slot): bool => $slot[2] === $source);
            $left = array_filter($own, function (string $word) use ($names): bool {
                foreach ($names as [$name, $family]) {
                    if (null !== $this->apart($word, $name, $family, [])) {
                        return false;
                    }
                }

                return true;
            });
            if ([] === $left) {
                return true;
            }
        }

        return false;
    }

    /** @param array<int, list<int>> $used slots by source */
    private static function furtherKind(Known $known, array $used): ?NameKind
    {
        foreach ($known->further as $at => $name) {
            if (isset($used[self::FURTHER + 2 * $at]) || isset($used[self::FURTHER + 2 * $at + 1])) {
                return $name->kind;
            }
        }

        return null;
    }

    /**
     * Whether a name tells somebody apart: a particle does where the whole name is one ("Le", "Do").
     *
     * @param list<array{string, bool, int}> $slots
     */
    private static function counts(array $slots, int $slot): bool
    {
        [$name, $family, $source] = $slots[$slot];
        $first = !$family && ($slots[$slot - 1][2] ?? null) !== $source;
        // "in 't Veld"
        $before = $family && ('t' === $name || ('in' === $name && 't' === ($slots[$slot + 1][0] ?? null)));
        $own = !NameKeys::isParticle($name) || ($first && NameKeys::mayBeANameOfItsOwn($name));
        if (!$before && $own) {
            return true;
        }
        foreach ($slots as [$other, , $of]) {
            if ($of === $source && !NameKeys::isParticle($other)) {
                return false;
            }
        }

        return true;
    }

    /**
     * Whether a particle nobody of this name has is a name by itself: it may be one, and stands before none of their
     * names.
     *
     * @param list<string>                   $all   words of the line
     * @param list<array{int, int, float}>   $pairs
     * @param list<array{string, bool, int}> $slots
     */
    private static function isAName(int $place, array $all, array $pairs, array $slots): bool
    {
        if (!NameKeys::mayBeANameOfItsOwn($all[$place])) {
            return false;
        }
        // "van Berg", "Le Blanc", where the directory leaves the particle out; but "Le Minh Anh" is somebody called Le.
        foreach ($pairs as [$at, $slot]) {
            if ($at === $place + 1 && $slots[$slot][1] && $place > 0) {
                return false;
            }
        }

        return true;
    }

    /** @return list<array{string, bool, int}> folded word, whether of the family, and which name it is of */
    private static function slots(Known $known): array
    {
        $names = [
            [self::GIVEN, false, $known->given],
            [self::PREFERRED, false, $known->preferred],
            [self::FAMILY, true, $known->family],
        ];
        foreach ($known->further as $at => $further) {
            $names[] = [self::FURTHER + 2 * $at, false, $further->given];
            $names[] = [self::FURTHER + 2 * $at + 1, true, $further->family];
        }
        $slots = [];
        foreach ($names as [$source, $family, $words]) {
            foreach ($words as $word) {
                $slots[] = [$word, $family, $source];
            }
        }

        return $slots;
    }

    /**
     * Which word stands for which name: the nearest first, each once.
     *
     * @param list<string>                   $words
     * @param list<array{string, bool, int}> $slots
     * @param array<string, list<string>>    $spellings
     * @param array<int, bool>               $sides
     *
     * @return list<array{int, int, float}> place of the word, slot, and how far
     */
    private function assigned(array $words, array $slots, array $spellings, array $sides): array
    {
        $options = [];
        foreach ($words as $place => $word) {
            foreach ($slots as $slot => [$name, $family]) {
                $apart = ($sides[$place] ?? $family) === $family
                    ? $this->apart($word, $name, $family, $spellings[$word] ?? [])
                    : null;
                if (null !== $apart) {
                    $options[] = [$apart, $slot, $place];
                }
            }
        }
        sort($options);
        $assigned = $placed = $taken = [];
        foreach ($options as [$apart, $slot, $place]) {
            if (self::EXACT === $apart && !isset($placed[$place]) && !isset($taken[$slot])) {
                $assigned[] = [$place, $slot, $apart];
                $placed[$place] = $taken[$slot] = true;
            }
        }
        foreach ($this->joined($words, $slots) as [$place, $slot, $apart]) {
            if (!isset($placed[$place]) && !isset($taken[$slot])) {
                $assigned[] = [$place, $slot, $apart];
            }
        }
        foreach ($assigned as [$place, $slot]) {
            $placed[$place] = $taken[$slot] = true;
        }
        foreach ($options as [$apart, $slot, $place]) {
            if (!isset($placed[$place]) && !isset($taken[$slot])) {
                $assigned[] = [$place, $slot, $apart];
                $placed[$place] = $taken[$slot] = true;
            }
        }

        return self::withoutStray($assigned, $slots);
    }

    /**
     * A letter or a slip of another name is no more of the name where that side is called in full already.
     *
     * @param list<array{int, int, float}>   $pairs
     * @param list<array{string, bool, int}> $slots
     *
     * @return list<array{int, int, float}>
     */
    private static function withoutStray(array $pairs, array $slots): array
    {
        $full = [];
        foreach ($pairs as [, $slot, $apart]) {
            if ($apart < self::INITIAL && !NameKeys::isParticle($slots[$slot][0])) {
                $full[(int) $slots[$slot][1]][$slots[$slot][2]] = true;
            }
        }

        return array_values(
            array_filter(
                $pairs,
                static function (array $pair) use ($full, $slots): bool {
                    [, $family, $source] = $slots[$pair[1]];
                    $sources = $full[(int) $family] ?? [];

                    return $pair[2] < self::INITIAL || [] === $sources || isset($sources[$source]);
                },
            ),
        );
    }

    /**
     * Names of several words that are written as one, and the other way round.
     *
     * @param list<string>                   $words
     * @param list<array{string, bool, int}> $slots
     *
     * @return list<array{int, int, float}> place of the word, slot, and how far
     */
    private function joined(array $words, array $slots): array
    {
        $pairs = [];
        foreach (array_unique(array_column($slots, 2)) as $source) {
            $own = array_keys(array_filter($slots, static fn(array $slot): bool => $slot[2] === $source));
            if (\count($own) > 1) {
                $name = implode('', array_map(static fn(int $slot): string => $slots[$slot][0], $own));
                $place = array_search($name, $words, true);
                if (false !== $place) {
                    foreach ($own as $slot) {
                        $pairs[] = [(int) $place, $slot, self::SPELLED];
                    }
                }
            }
        }
        for ($i = 0; $i + 1 < \count($words) && [] === $pairs && \count($words) > 2; ++$i) {
            foreach ([2, 3] as $length) {
                $part = \array_slice($words, $i, $length);
                $joined = \count($part) === $length ? implode('', $part) : '';
                foreach ($slots as $slot => [$name]) {
                    if ($joined === $name) {
                        foreach (array_keys($part) as $offset) {
                            $pairs[] = [$i + $offset, $slot, self::SPELLED];
                        }
                    }
                }
            }
        }

        return $pairs;
    }

    /** @param list<string> $spellings */
    private function apart(string $word, string $name, bool $family, array $spellings): ?float
    {
        if ($word === $name) {
            return self::EXACT;
        }
        if (NameKeys::isParticle($name)) {
            return null;
        }
        if (1 === \strlen($word)) {
            return $word === $name[0] ? self::INITIAL : null;
        }
        [$typed, $own] = [NameKeys::canon($word), NameKeys::canon($name)];
        if ($typed === $own || \in_array($own, array_map(NameKeys::canon(...), $spellings), true)) {
            return self::SPELLED;
        }
        if (!$family && \in_array($name, $this->wording->nicknames()->of($word), true)) {
            return self::SHORT;
        }
        if (\strlen($name) < self::LONG_ENOUGH - 1 || abs(\strlen($word) - \strlen($name)) > 2) {
            return null;
        }
        if (Wording::elided($word, $name) && !$this->wording->knows($word)) {
            return self::SPELLED;
        }
        $near = $this->wording->apart($word, $name);
        if (null === $near && $word[0] === $name[0]) {
            $slip = Slip::between($typed, $own);
            $near = $slip < Slip::OTHER && abs(\strlen($word) - \strlen($name)) < 2 ? $slip : null;
        }
        if (null !== $near) {
            return self::NEAR + $near;
        }

        return $word[0] === $name[0] && Slip::twice($word, $name) ? self::TWICE : null;
    }

    /**
     * Not by first letters alone: a family name or a given one is there in full.
     *
     * @param list<array{int, int, float}>   $pairs
     * @param list<array{string, bool, int}> $slots
     */
    private function whole(array $pairs, array $slots): bool
    {
        foreach ($pairs as [, $slot, $apart]) {
            if (self::INITIAL !== $apart && self::counts($slots, $slot)) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether the first given name, or the preferred one, is there: nobody goes by the second alone.
     *
     * @param list<array{string, bool, int}> $slots
     * @param array<int, list<int>>          $used
     */
    private function first(array $slots, array $used): bool
    {
        $seen = [];
        foreach ($slots as $slot => [, $family, $source]) {
            if (!$family && !isset($seen[$source]) && \in_array($slot, $used[$source] ?? [], true)) {
                return true;
            }
            $seen[$source] = true;
        }

        return false;
    }

    /**
     * A word that is nobody's name, long enough, and near.
     *
     * @param list<array{int, int, float}>   $pairs
     * @param list<array{string, bool, int}> $slots
     */
    private function isASlip(array $pairs, array $slots): bool
    {
        foreach ($pairs as [, $slot, $apart]) {
            if ($apart >= self::NEAR && \strlen($slots[$slot][0]) < self::LONG_ENOUGH) {
                return false;
            }
        }

        return true;
    }

    /**
     * Two slips are one in each of two long names, or both in a longer one.
     *
     * @param list<array{int, int, float}>   $pairs
     * @param list<array{string, bool, int}> $slots
     */
    private function bothLong(array $pairs, array $slots): bool
    {
        foreach ($pairs as [, $slot, $apart]) {
            if ($apart >= self::NEAR && \strlen($slots[$slot][0]) < self::LONG_FOR_TWO) {
                return false;
            }
        }

        return true;
    }

    /**
     * Words of the name that are not there, of given names and of family names: of the one of each side that lacks
     * least.
     *
     * @param list<array{string, bool, int}> $slots
     * @param array<int, list<int>>          $used
     *
     * @return array{int, int}
     */
    private static function missing(array $slots, array $used): array
    {
        $lacks = [[], []];
        $own = [];
        foreach ($slots as $slot => [, , $source]) {
            if (isset($used[$source]) && self::counts($slots, $slot)) {
                $own[$source][] = $slot;
            }
        }
        foreach ($own as $source => $some) {
            $lacks[(int) $slots[$some[0]][1]][] = \count(array_diff($some, $used[$source]));
        }

        return [min([99, ...$lacks[0]]) % 99, min([99, ...$lacks[1]]) % 99];
    }

    /**
     * @param list<array{string, bool, int}> $slots
     * @param array<int, list<int>>          $used
     */
    private function allParticles(array $slots, array $used): bool
    {
        foreach ($slots as $slot => [$name, , $source]) {
            if (
                self::FAMILY === $source
                && NameKeys::isParticle($name)
                && !\in_array($slot, $used[$source] ?? [], true)
            ) {
                return false;
            }
        }

        return true;
    }
}
