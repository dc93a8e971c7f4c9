<?php

declare(strict_types=1);

namespace MintDoor\Core\Text;

/**
 * Names and what people type of them, folded to the same plain letters: other scripts, diacritics and case set aside
 * (ICU transliteration).
 */
final class Folding
{
    /**
     * Those that are written in the characters numbers and logins are made of: no other can be one.
     *
     * @param array<array-key, string> $identifiers
     *
     * @return list<string>
     */
    public static function plain(array $identifiers): array
    {
        return array_values(
            array_filter(
                $identifiers,
                static fn(string $identifier): bool => 1 === preg_match('/^[\x20-\x7e]*$/D', $identifier),
            ),
        );
    }

    /** A longer token is cut, on both sides alike. */
    public const LONGEST_TOKEN = 48;

    private const CYRILLIC = ['Russian-Latin/BGN', 'Ukrainian-Latin/BGN', 'Serbian-Latin/BGN'];

    private const GREEK = ['Greek-Latin/UNGEGN', 'Greek-Latin/BGN'];

    /** Transliterating costs: what comes again and again is kept, so many of them, unless they are longer. */
    private const KEPT = 20_000;

    private const LONGEST_KEPT = 64;

    /** @var array<string, string> */
    private static array $folds = [];

    private static ?\Transliterator $transliterator = null;

    /** @var array<string, ?\Transliterator> */
    private static array $others = [];

    private function __construct() {}

    /**
     * The folded words of a text, in order, repeats removed.
     *
     * @return list<string> lower-case ASCII letters and digits
     */
    public static function tokens(string $text): array
    {
        $folded = self::fold($text);
        preg_match_all('/[a-z0-9]+/', str_replace(['\'', '`'], '', $folded), $found);

        return array_values(
            array_unique(
                array_map(static fn(string $token): string => substr($token, 0, self::LONGEST_TOKEN), $found[0]),
            ),
        );
    }

    /**
     * Every ending of every folded word: what is typed of a text, from wherever in a word, begins one of these.
     *
     * @return list<string> no repeats
     */
    public static function endings(string $text): array
    {
        $endings = [];
        foreach (self::tokens($text) as $word) {
            for ($from = 0; $from < \strlen($word); ++$from) {
                $endings[substr($word, $from)] = true;
            }
        }

        return array_map(strval(...), array_keys($endings));
    }

    /** One identifier (number, login, address) as it is compared: trimmed, lower case. */
    public static function identifier(string $text): string
    {
        return mb_strtolower(trim($text));
    }

    /**
     * A word of Cyrillic or Greek letters as people write it in Latin ones, by the usual tables (ICU, CLDR).
     *
     * @return list<string> folded words; none of other letters
     */
    public static function spellings(string $word): array
    {
        $spellings = [];
        foreach (['Cyrillic' => self::CYRILLIC, 'Greek' => self::GREEK] as $script => $ids) {
            foreach (1 === preg_match('/\p{'.$script.'}/u', $word) ? $ids : [] as $id) {
                self::$others[$id] ??= \Transliterator::create($id.'; Any-Latin; Latin-ASCII; Lower()');
                $spelled = (string) self::$others[$id]?->transliterate(strtr($word, ['ё' => 'йо', 'Ё' => 'Йо']));
                $spellings[] = substr((string) preg_replace('/[^a-z0-9]+/', '', $spelled), 0, self::LONGEST_TOKEN);
            }
        }

        return array_values(array_unique(array_filter($spellings)));
    }

    public static function fold(string $text): string
    {
        if (1 !== preg_match('/[^\x00-\x7f]/', $text)) {
            return strtolower($text);
        }
        if (isset(self::$folds[$text])) {
            return self::$folds[$text];
        }
        self::$transliterator ??=
            \Transliterator::create('Any-Latin; Latin-ASCII; Lower()')
            ?? throw new \LogicException('ICU has no Latin transliteration.');
        $folded = (string) self::$transliterator->transliterate(mb_scrub($text));
        if (\strlen($text) > self::LONGEST_KEPT) {
            return $folded;
        }
        if (\count(self::$folds) >= self::KEPT) {
            self::$folds = [];
        }

        return self::$folds[$text] = $folded;
    }
}
