<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** How far two words are apart, as slips of the hand and the ear go. */
final class Slip
{
    /** From here on two words are different ones. */
    public const OTHER = 1.0;

    /** Letters of a word that may have two slips. */
    public const LONG = 8;

    /** Letters, from the first that differs to the last, within which a slip stays. */
    private const STRETCH = 3;

    /** Rows of a keyboard; a key's neighbours stand beside it. QWERTY, QWERTZ and AZERTY share nearly all of them. */
    private const ROWS = ['qwertyuiop', 'asdfghjkl', 'zxcvbnm'];

    private function __construct() {}

    /**
     * Edit distance with swapped neighbours as one step (optimal string alignment), the likely slips at a lower
     * price: a neighbouring key, a letter doubled or not, two letters swapped, one vowel for another.
     */
    public static function between(string $a, string $b): float
    {
        if ($a === $b) {
            return 0.0;
        }
        [$m, $n] = [\strlen($a), \strlen($b)];
        for ($front = 0, $most = min($m, $n); $front < $most && $a[$front] === $b[$front]; ++$front) {
        }
        for ($back = 0; $back < $most - $front && $a[$m - 1 - $back] === $b[$n - 1 - $back]; ++$back) {
        }
        $differ = max($m, $n) - $front - $back;
        // Slips stand close together; words that differ over a longer stretch are other words, whatever it takes to get
        // there.
        if ($differ > self::STRETCH) {
            return (float) $differ;
        }
        // With the letter before, which may be the one that is doubled.
        $from = max(0, $front - 1);
        [$a, $b] = [substr($a, $from, $m - $back - $from), substr($b, $from, $n - $back - $from)];
        [$m, $n] = [\strlen($a), \strlen($b)];
        $rows = [range(0.0, (float) $n)];
        for ($i = 1; $i <= $m; ++$i) {
            $rows[$i] = [(float) $i];
            for ($j = 1; $j <= $n; ++$j) {
                $best = min(
                    $rows[$i - 1][$j] + ($i > 1 && $a[$i - 1] === $a[$i - 2] ? 0.4 : 0.9),
                    $rows[$i][$j - 1] + ($j > 1 && $b[$j - 1] === $b[$j - 2] ? 0.4 : 0.9),
                    $rows[$i - 1][$j - 1] + self::swap($a[$i - 1], $b[$j - 1]),
                );
                if ($i > 1 && $j > 1 && $a[$i - 1] === $b[$j - 2] && $a[$i - 2] === $b[$j - 1]) {
                    $best = min($best, $rows[$i - 2][$j - 2] + 0.6);
                }
                $rows[$i][$j] = $best;
            }
        }

        return $rows[$m][$n];
    }

    /** Whether two long words are at most two slips apart: letters wrong, missing, too many, or swapped. */
    public static function twice(string $a, string $b): bool
    {
        if (min(\strlen($a), \strlen($b)) < self::LONG || levenshtein($a, $b) > 4) {
            return false;
        }
        [$m, $n] = [\strlen($a), \strlen($b)];
        $rows = [range(0, $n)];
        for ($i = 1; $i <= $m; ++$i) {
            $rows[$i] = [$i];
            for ($j = 1; $j <= $n; ++$j) {
                $best = min(
                    $rows[$i - 1][$j] + 1,
                    $rows[$i][$j - 1] + 1,
                    $rows[$i - 1][$j - 1] + (int) ($a[$i - 1] !== $b[$j - 1]),
                );
                if ($i > 1 && $j > 1 && $a[$i - 1] === $b[$j - 2] && $a[$i - 2] === $b[$j - 1]) {
                    $best = min($best, $rows[$i - 2][$j - 2] + 1);
                }
                $rows[$i][$j] = $best;
            }
        }

        return $rows[$m][$n] <= 2;
    }

    private static function swap(string $a, string $b): float
    {
        return match (true) {
            $a === $b => 0.0,
            self::neighbours($a, $b) => 0.6,
            str_contains('aeiouy', $a) && str_contains('aeiouy', $b) => 0.7,
            default => 0.9,
        };
    }

    private static function neighbours(string $a, string $b): bool
    {
        foreach (self::ROWS as $row => $keys) {
            $at = strpos($keys, $a);
            if (false === $at) {
                continue;
            }
            foreach ([$row - 1, $row, $row + 1] as $other) {
                $there = strpos(self::ROWS[$other] ?? '', $b);
                // The rows below stand half a key to the right.
                if (
                    false !== $there
                    && \in_array($there - $at, $other === $row ? [-1, 1] : ($other > $row ? [-1, 0] : [0, 1]), true)
                ) {
                    return true;
                }
            }
        }

        return false;
    }
}
