<?php

declare(strict_types=1);

namespace MintDoor\Core\Accounts;

use MintDoor\Core\Text\Folding;

/** What a password somebody chooses must be: long, none of the commonest, and not made of who they are. */
final class PasswordRule
{
    /** Characters. */
    public const SHORTEST = 12;

    public const LONGEST = 200;

    /** Letters and digits that have to be left when one's own names are taken away. */
    private const LEFT = 6;

    /** Shorter parts of a name are in every password. */
    private const OWN = 3;

    private function __construct() {}

    /**
     * @param list<string> $own names, login, address and number of whoever chooses it
     *
     * @return 'too-short'|'too-long'|'common'|'own'|null null where it will do
     */
    public static function problem(#[\SensitiveParameter] string $password, array $own): ?string
    {
        $length = mb_strlen($password);

        return match (true) {
            $length < self::SHORTEST => 'too-short',
            $length > self::LONGEST => 'too-long',
            self::common($password) => 'common',
            default => self::own($password, $own) ? 'own' : null,
        };
    }

    /** Among the commonest, also with digits or signs around it, or said several times. */
    private static function common(#[\SensitiveParameter] string $password): bool
    {
        $plain = mb_strtolower($password);
        $bare = (string) preg_replace('/^[^\p{L}]+|[^\p{L}]+$/u', '', $plain);
        if (self::once($plain) !== $plain && mb_strlen(self::once($plain)) < self::LEFT) {
            return true;
        }
        foreach (array_unique([$plain, $bare, self::once($plain), self::once($bare)]) as $each) {
            if (mb_strlen($each) < self::OWN || CommonPasswords::has($each)) {
                return true;
            }
        }

        return false;
    }

    /** What a text is made of that is the same several times over; itself where it is not. */
    private static function once(#[\SensitiveParameter] string $text): string
    {
        return 1 === preg_match('/^(.+?)\1+$/us', $text, $found) ? $found[1] : $text;
    }

    /** @param list<string> $own */
    private static function own(#[\SensitiveParameter] string $password, array $own): bool
    {
        $left = implode('', Folding::tokens(strtr($password, ['.' => ' ', '-' => ' ', '_' => ' '])));
        $parts = array_filter(
            Folding::tokens(strtr(implode(' ', $own), ['.' => ' ', '@' => ' ', '_' => ' ', '-' => ' '])),
            static fn(string $part): bool => \strlen($part) >= self::OWN,
        );
        // The longest first, so that "anna" does not leave "bella" behind.
        usort($parts, static fn(string $a, string $b): int => \strlen($b) <=> \strlen($a));
        $without = str_replace($parts, '', $left);

        return $without !== $left && \strlen($without) < self::LEFT;
    }
}
