<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

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

    /** Shorter names have too many neighbours. */
    private const LONG_ENOUGH = 4;

    public function __construct(private Wording $wording) {}

    /** @param list<string> $words folded */
    public function of(array $words, Known $known): ?Candidate
    {
        $slots = self::slots($known);
        $all = $words;
        $pairs = $this->assigned($words, $slots);
        $given = $family = $used = [];
        $worst = self::EXACT;
        $near = 0;
        foreach ($pairs as [$place, $slot, $apart]) {
            [, $side, $source] = $slots[$slot];
            $used[$source][] = $slot;
            if (self::counts($slots, $slot)) {
                $side ? ($family[] = $slot) : ($given[] = $slot);
            }
            $worst = max($worst, $apart);
            $near += (int) ($apart >= self::NEAR);
            unset($words[$place]);
        }
        if ([] === $given || [] === $family || $near > 2 || !$this->whole($pairs, $slots)) {
            return null;
        }
        $left = array_filter(
            $words,
            static fn(string $word, int $place): bool => \strlen($word) > 1
                && (!NameKeys::isParticle($word) || self::isAName($place, $words, $all, $pairs, $slots)),
            \ARRAY_FILTER_USE_BOTH,
        );
        $letters = array_filter($words, static fn(string $word): bool => 1 === \strlen($word));
        $missing = self::missing($slots, $used);
        if ([] !== $left || [] !== $letters) {
            // Something besides: a remark when the directory knows no such name, and otherwise perhaps somebody else.
            $somebodyElse =
                [] !== $letters
                || []
                    !== array_filter(
                        $left,
                        fn(string $word): bool => NameKeys::isParticle($word) || $this->wording->mayBeAName($word),
                    );
            if ($worst >= self::INITIAL || $missing > 1 || ($somebodyElse && $missing > 0)) {
                return [] === $letters && $near < 2 && $missing < 2
                    ? new Candidate($known, $near > 0 ? Evidence::SmallDifference : Evidence::PartOfTheName, false)
                    : null;
            }

            return new Candidate($known, Evidence::PartOfTheName, !$somebodyElse && 0 === $missing, unread: true);
        }

        return match (true) {
            $worst >= self::NEAR => new Candidate(
                $known,
                Evidence::SmallDifference,
                1 === $near && $missing < 2 && $this->first($slots, $used) && $this->isASlip($pairs, $slots),
            ),
            $worst >= self::INITIAL => new Candidate(
                $known,
                Evidence::Initials,
                $missing < 2 && $this->first($slots, $used),
            ),
            $missing > 0 => new Candidate($known, Evidence::PartOfTheName, $this->first($slots, $used)),
            $worst >= self::SHORT => new Candidate($known, Evidence::Nickname),
            $worst >= self::SPELLED => new Candidate($known, Evidence::Transliteration),
            isset($used['former']) => new Candidate($known, Evidence::FormerName),
            isset($used['preferred']) => new Candidate($known, Evidence::PreferredName),
            $this->allParticles($slots, $used, $words) => new Candidate($known, Evidence::FullName),
            default => new Candidate($known, Evidence::Particles),
        };
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
        $places = array_column($this->assigned($words, self::slots($known)), 0);

        return array_values(array_intersect_key($words, array_fill_keys($places, true)));
    }

    /**
     * Whether a name tells somebody apart: a particle does where the whole name is one ("Le", "Do").
     *
     * @param list<array{string, bool, string}> $slots
     */
    private static function counts(array $slots, int $slot): bool
    {
        [$name, , $source] = $slots[$slot];
        $own = array_filter(
            $slots,
            static fn(array $each): bool => $each[2] === $source && !NameKeys::isParticle($each[0]),
        );

        return !NameKeys::isParticle($name) || [] === $own;
    }

    /**
     * Whether a particle nobody of this name has is a name by itself: it may be one, and stands before none of their
     * names.
     *
     * @param list<string>                      $all   words of the line
     * @param array<int, string>                $words those that stand for nothing
     * @param list<array{int, int, float}>      $pairs
     * @param list<array{string, bool, string}> $slots
     */
    private static function isAName(int $place, array $words, array $all, array $pairs, array $slots): bool
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

    /** @return list<array{string, bool, string}> folded word, whether of the family, and which name it is of */
    private static function slots(Known $known): array
    {
        $slots = [];
        foreach (
            [
                'given' => $known->given,
                'preferred' => $known->preferred,
                'family' => $known->family,
                'former' => $known->former,
            ] as $source => $names
        ) {
            foreach ($names as $name) {
                $slots[] = [$name, 'family' === $source || 'former' === $source, $source];
            }
        }

        return $slots;
    }

    /**
     * Which word stands for which name: the nearest first, each once.
     *
     * @param list<string>                      $words
     * @param list<array{string, bool, string}> $slots
     *
     * @return list<array{int, int, float}> place of the word, slot, and how far
     */
    private function assigned(array $words, array $slots): array
    {
        $options = [];
        foreach ($words as $place => $word) {
            foreach ($slots as $slot => [$name, $family]) {
                $apart = $this->apart($word, $name, $family);
                if (null !== $apart) {
                    $options[] = [$apart, $slot, $place];
                }
            }
        }
        $assigned = $this->joined($words, $slots);
        $taken = array_fill_keys(array_column($assigned, 1), true);
        $placed = array_fill_keys(array_column($assigned, 0), true);
        sort($options);
        foreach ($options as [$apart, $slot, $place]) {
            if (!isset($placed[$place]) && !isset($taken[$slot])) {
                $assigned[] = [$place, $slot, $apart];
                $placed[$place] = $taken[$slot] = true;
            }
        }

        return $assigned;
    }

    /**
     * Names of several words that are written as one, and the other way round.
     *
     * @param list<string>                      $words
     * @param list<array{string, bool, string}> $slots
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
                foreach ($slots as $slot => [$name]) {
                    if (\count($part) === $length && implode('', $part) === $name) {
                        foreach (array_keys($part) as $offset) {
                            $pairs[] = [$i + $offset, $slot, self::SPELLED];
                        }
                    }
                }
            }
        }

        return $pairs;
    }

    private function apart(string $word, string $name, bool $family): ?float
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
        if ($typed === $own) {
            return self::SPELLED;
        }
        if (!$family && \in_array($name, $this->wording->nicknames()->of($word), true)) {
            return self::SHORT;
        }
        if (\strlen($name) < self::LONG_ENOUGH - 1 || abs(\strlen($word) - \strlen($name)) > 1) {
            return null;
        }
        $apart = min(Slip::between($word, $name), Slip::between($typed, $own));

        return $apart < Slip::OTHER ? self::NEAR + $apart : null;
    }

    /**
     * Not by first letters alone: a family name or a given one is there in full.
     *
     * @param list<array{int, int, float}>      $pairs
     * @param list<array{string, bool, string}> $slots
     */
    private function whole(array $pairs, array $slots): bool
    {
        foreach ($pairs as [, $slot, $apart]) {
            if ($apart < self::INITIAL && self::counts($slots, $slot)) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether the first given name, or the preferred one, is there: nobody goes by the second alone.
     *
     * @param list<array{string, bool, string}> $slots
     * @param array<string, list<int>>          $used
     */
    private function first(array $slots, array $used): bool
    {
        foreach (['given', 'preferred'] as $source) {
            $own = array_keys(array_filter($slots, static fn(array $slot): bool => $slot[2] === $source));
            if ([] !== $own && \in_array($own[0], $used[$source] ?? [], true)) {
                return true;
            }
        }

        return false;
    }

    /**
     * A word that is nobody's name, long enough, and near.
     *
     * @param list<array{int, int, float}>      $pairs
     * @param list<array{string, bool, string}> $slots
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
     * Words of the name that are not there: of the given names or the preferred one, and of the family names or the
     * former.
     *
     * @param list<array{string, bool, string}> $slots
     * @param array<string, list<int>>          $used
     */
    private static function missing(array $slots, array $used): int
    {
        $of = static fn(string $source): array => array_keys(
            array_filter(
                $slots,
                static fn(array $slot, int $at): bool => $slot[2] === $source && self::counts($slots, $at),
                \ARRAY_FILTER_USE_BOTH,
            ),
        );
        $lacks = static fn(string $source): int => \count(array_diff($of($source), $used[$source] ?? []));
        $side = static function (string $a, string $b) use ($of, $lacks, $used): int {
            $choices = array_map(
                $lacks,
                array_filter([$a, $b], static fn(string $source): bool => isset($used[$source]) && [] !== $of($source)),
            );

            return [] === $choices ? 0 : min($choices);
        };

        return $side('given', 'preferred') + $side('family', 'former');
    }

    /**
     * @param list<array{string, bool, string}> $slots
     * @param array<string, list<int>>          $used
     * @param array<int, string>                $left words that stand for nothing
     */
    private function allParticles(array $slots, array $used, array $left): bool
    {
        foreach ($slots as $slot => [$name, , $source]) {
            if ('family' === $source && NameKeys::isParticle($name) && !\in_array($slot, $used[$source] ?? [], true)) {
                return false;
            }
        }

        return [] === $left;
    }
}
