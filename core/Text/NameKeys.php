<?php

declare(strict_types=1);

namespace MintDoor\Core\Text;

/**
 * What people are looked up by when a line names them: pairs of a given and a family name, each in a spelling that
 * transliterations share. A pair has few bearers where a single word has thousands, so that looking up costs what there
 * are namesakes, whatever the size of the directory.
 */
final class NameKeys
{
    /** Letters of a word that count in a pair. */
    private const LONGEST = 24;

    private const PARTICLES = [
        'af',
        'al',
        'am',
        'auf',
        'av',
        'bin',
        'da',
        'dal',
        'das',
        'de',
        'dei',
        'del',
        'della',
        'den',
        'der',
        'des',
        'di',
        'do',
        'dos',
        'du',
        'el',
        'het',
        'ibn',
        'la',
        'las',
        'le',
        'los',
        'of',
        'op',
        'ten',
        'ter',
        'van',
        'vom',
        'von',
        'zu',
        'zum',
        'zur',
    ];

    /**
     * Particles that are family names of their own as well: where nobody asked for has one, it is a name of somebody
     * else.
     */
    private const NAMES_TOO = [
        'al',
        'am',
        'bin',
        'da',
        'dal',
        'das',
        'den',
        'do',
        'du',
        'el',
        'la',
        'le',
        'ten',
        'van',
    ];

    /** Words whose shared spelling is kept at hand. */
    private const KEPT = 20_000;

    /** @var array<string, string> */
    private static array $canons = [];

    /** @var ?array<string, true> */
    private static ?array $particles = null;

    private function __construct() {}

    public static function isParticle(string $word): bool
    {
        self::$particles ??= array_fill_keys(self::PARTICLES, true);

        return isset(self::$particles[$word]);
    }

    /** Whether a particle may be somebody's whole family name. */
    public static function mayBeANameOfItsOwn(string $word): bool
    {
        return \in_array($word, self::NAMES_TOO, true);
    }

    /**
     * A folded word in the spelling its transliterations share: ä and ae, ø and oe, Dmitrij and Dmitri, Nowak and
     * Novak, doubled letters and single ones.
     */
    public static function canon(string $word): string
    {
        if (isset(self::$canons[$word])) {
            return self::$canons[$word];
        }
        if (\count(self::$canons) > self::KEPT) {
            self::$canons = [];
        }
        $typed = $word;
        $word = strtr($word, ['ae' => 'a', 'oe' => 'o', 'ue' => 'u', 'y' => 'i', 'j' => 'i', 'w' => 'v']);

        $canon = substr((string) preg_replace('/(.)\1+/', '$1', $word), 0, self::LONGEST);

        return self::$canons[$typed] = $canon;
    }

    /** @param string $a and $b, in the shared spelling; the order makes no difference */
    public static function pair(string $a, string $b): string
    {
        return $a < $b ? $a.' '.$b : $b.' '.$a;
    }

    /**
     * @param list<list<string>> $given  folded words of each name on that side: given, preferred
     * @param list<list<string>> $family and on this one: family, former
     *
     * @return list<string>
     */
    public static function ofPerson(array $given, array $family): array
    {
        $first = static fn(string $word): string => $word[0];
        $givens = array_merge(...array_map(self::sides(...), $given));
        foreach ($given as $words) {
            // "Van Nhung" goes by Van as well.
            if (isset($words[1]) && self::mayBeANameOfItsOwn($words[0])) {
                $givens[] = self::canon($words[0]);
            }
        }
        $families = array_merge(...array_map(self::sides(...), $family));
        $pairs = [];
        foreach ($families as $name) {
            foreach ([...$givens, ...array_map($first, $givens)] as $word) {
                $pairs[self::pair($word, $name)] = true;
            }
        }
        foreach ($givens as $word) {
            foreach ($families as $name) {
                $pairs[self::pair($word, $name[0])] = true;
            }
        }

        return array_map(strval(...), array_keys($pairs));
    }

    /**
     * The words of a name without its particles, and all of it written as one.
     *
     * @param list<string> $words folded
     *
     * @return list<string> in the shared spelling
     */
    public static function sides(array $words): array
    {
        $own = array_values(array_filter($words, static fn(string $word): bool => !self::isParticle($word))) ?: $words;
        $all = array_map(self::canon(...), $own);
        if (\count($words) > 1) {
            $all[] = self::canon(implode('', $words));
        }

        return array_values(array_unique($all));
    }

    /**
     * A word with any one letter left out, and as it is: two words one slip apart share one of these (after the
     * symmetric delete method of spelling correction).
     *
     * @param string $word folded
     *
     * @return list<string>
     */
    public static function slips(string $word): array
    {
        $slips = [$word => true];
        if (\strlen($word) > 2) {
            for ($at = 0; $at < \strlen($word); ++$at) {
                $slips[substr($word, 0, $at).substr($word, $at + 1)] = true;
            }
        }

        return array_map(strval(...), array_keys($slips));
    }
}
