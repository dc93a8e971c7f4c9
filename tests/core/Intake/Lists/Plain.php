<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake\Lists;

/** Spellings as people make them, by tables of this set. */
final class Plain
{
    /** Letters that canonical decomposition does not take apart. */
    private const WHOLE = [
        'ł' => 'l',
        'Ł' => 'L',
        'ø' => 'o',
        'Ø' => 'O',
        'đ' => 'd',
        'ß' => 'ss',
        'æ' => 'ae',
        'Æ' => 'Ae',
        'ı' => 'i',
        'İ' => 'I',
    ];

    private const TWO_LETTERS = [
        'ä' => 'ae',
        'ö' => 'oe',
        'ü' => 'ue',
        'Ä' => 'Ae',
        'Ö' => 'Oe',
        'Ü' => 'Ue',
        'ø' => 'oe',
        'Ø' => 'Oe',
        'å' => 'aa',
        'Å' => 'Aa',
        'ß' => 'ss',
        'æ' => 'ae',
    ];

    private const PARTICLES = [
        'von', 'der', 'zu', 'am', 'van', 'den', 'de', 'ter', 'ten', 'op', 'in', 't', 'da', 'dos', 'do', 'das', 'la',
        'los', 'del', 'du', 'le', 'd', 'al', 'el', 'bin',
    ];

    /** @var array<string, string> */
    private static array $words = [];

    /** @var array<string, string> */
    private static array $kept = [];

    /** @var array<string, string> */
    private static array $skeletons = [];

    private function __construct() {}

    /** Without what stands above and below letters. */
    public static function bare(string $text): string
    {
        $apart = (string) \Normalizer::normalize(strtr($text, self::WHOLE), \Normalizer::FORM_D);

        return (string) preg_replace('/\p{Mn}+/u', '', $apart);
    }

    /** Lower case, nothing but letters from a to z. */
    public static function letters(string $text): string
    {
        return (string) preg_replace('/[^a-z]+/', '', strtolower(self::bare($text)));
    }

    /** Lower case words, blanks between them. */
    public static function words(string $text): string
    {
        if (!isset(self::$words[$text])) {
            $words = preg_split('/[^\p{L}]+/u', mb_strtolower(str_replace(['\'', '’'], '', self::bare($text)))) ?: [];
            self::$words[$text] = implode(' ', array_filter($words, static fn(string $word): bool => '' !== $word));
        }

        return self::$words[$text];
    }

    public static function twoLetters(string $text): string
    {
        return strtr($text, self::TWO_LETTERS);
    }

    /** A family name without its particles, where something is left. */
    public static function withoutParticles(string $family): string
    {
        if (isset(self::$kept[$family])) {
            return self::$kept[$family];
        }
        $kept = array_filter(
            preg_split('/[\s\']+|(?<=\bal)-|(?<=\bel)-/iu', $family) ?: [],
            static fn(string $word): bool => '' !== $word && !\in_array(mb_strtolower($word), self::PARTICLES, true),
        );

        return self::$kept[$family] = [] === $kept ? $family : implode(' ', $kept);
    }

    /**
     * What two spellings of nearly the same word share: the first letter and the consonants, doubled ones once.
     */
    public static function skeleton(string $word): string
    {
        if (isset(self::$skeletons[$word])) {
            return self::$skeletons[$word];
        }
        $letters = self::letters($word);
        $letters = strtr($letters, ['w' => 'v', 'j' => 'i', 'y' => 'i', 'z' => 's', 'k' => 'c', 'h' => '']);
        $rest = (string) preg_replace('/[aeiou]+/', '', substr($letters, 1));

        return self::$skeletons[$word] = (string) preg_replace('/(.)\1+/', '$1', substr($letters, 0, 1).$rest);
    }
}
