<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

use MintDoor\Core\Text\Folding;

/** Whether a key that somebody chose is hard enough to guess: keys are tried by people who know the site. */
final class KeyStrength
{
    private const SHORTEST = 10;

    private const LONGEST = 60;

    /** Different characters there must be. */
    private const DIFFERENT = 6;

    /** What everybody tries first. */
    private const PLAIN = [
        'password',
        'welcome',
        'letmein',
        'qwerty',
        'abcdef',
        '123456',
        'join',
        'course',
        'enter',
        'open',
        'key',
    ];

    private function __construct() {}

    /** A key as it is compared: lower case, nothing but letters and digits. */
    public static function bare(string $chosen): string
    {
        return implode('', Folding::tokens($chosen));
    }

    /**
     * @param string $around title and code of the site, its division and its leads
     *
     * @return 'too-short'|'too-long'|'too-plain'|'of-the-site'|null what is wrong with it
     */
    public static function problem(string $chosen, string $around): ?string
    {
        $bare = self::bare($chosen);
        $rest = $bare;
        foreach ([...Folding::tokens($around), ...self::PLAIN] as $word) {
            $rest = \strlen($word) > 2 ? str_replace($word, '', $rest) : $rest;
        }
        // What is left once the words that come to mind are gone: a year behind them is no secret.
        $left = (string) preg_replace('/^\d{1,4}|\d{1,4}$/D', '', $rest);

        return match (true) {
            \strlen($bare) < self::SHORTEST => 'too-short',
            \strlen($bare) > self::LONGEST => 'too-long',
            \strlen($left) < 4 && $rest !== $bare => 'of-the-site',
            \strlen(count_chars($bare, 3)) < self::DIFFERENT,
            1 === preg_match('/^(.{1,4})\1+$/D', $bare) =>
                'too-plain',
            default => null,
        };
    }
}
