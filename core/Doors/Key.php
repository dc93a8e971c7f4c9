<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

use MintDoor\Core\Accounts\SpokenWords;

/**
 * A key that we make: "reed-amber-48213-cobalt-fern", four words of 256 and a number of three digits with two that
 * check all of it. That is 42 bits, and a slip shows from the key itself, without comparing it to any other.
 */
final readonly class Key
{
    private const WORDS = 4;

    /** Words before the number. */
    private const BEFORE = 2;

    private const NUMBERS = 1_000;

    /**
     * Of the digits that check the rest: a prime below 100. No wrong letter or digit goes unseen; of words in another
     * order one in a hundred may.
     */
    private const MODULUS = 97;

    /** Letters that are taken for digits where a number stands. */
    private const LOOK_ALIKES = ['o' => '0', 'l' => '1', 'i' => '1', 's' => '5', 'b' => '8'];

    private const LOOKS_LIKE_A_NUMBER = '/^(?=.*\d)[0-9olisb]{5}$/D';

    private function __construct(public string $text) {}

    /** @param callable(int): int $chance a whole number from 0 to just below */
    public static function make(callable $chance): self
    {
        $words = SpokenWords::drawn();
        $place = array_flip(SpokenWords::all());
        $places = array_map(static fn(): int => $place[$words[$chance(\count($words))]], range(1, self::WORDS));

        return self::of($places, $chance(self::NUMBERS));
    }

    /** What somebody typed, forgiving of case, blanks, dashes and letters that look like digits. */
    public static function read(string $typed): KeyReading
    {
        $parts = array_values(
            array_filter(
                preg_split('/[^a-z0-9]+/', strtolower(substr(mb_scrub($typed), 0, 200))) ?: [],
                static fn(string $part): bool => '' !== $part,
            ),
        );
        $typed = self::parted($parts) ?? self::parted(self::joined(implode('', $parts)));
        if (null === $typed) {
            return new KeyReading(KeySlip::OtherKind);
        }
        $digits = $typed->number;
        $words = [...$typed->before, ...$typed->after];
        $places = self::places($words);
        $unknown = array_diff_key($words, array_filter($places, static fn(?int $place): bool => null !== $place));
        $places = array_map(static fn(?int $place): int => $place ?? 0, $places);
        if ([] === $unknown) {
            $key = self::of($places, (int) substr($digits, 0, 3));

            return $key->text === implode('-', [...$typed->before, $digits, ...$typed->after])
                ? new KeyReading(null, $key)
                : self::almost($places, $digits);
        }

        return 1 === \count($unknown)
            ? self::oneLetter($places, array_key_first($unknown), $unknown[array_key_first($unknown)], $digits)
            : new KeyReading(KeySlip::OtherKind);
    }

    /** @param array<int, int> $places of its words, in order */
    private static function of(array $places, int $number): self
    {
        $all = SpokenWords::all();
        $words = array_map(static fn(int $place): string => $all[$place], $places);

        return new self(
            implode('-', [
                ...\array_slice($words, 0, self::BEFORE),
                \sprintf('%03d%02d', $number, self::check($places, $number)),
                ...\array_slice($words, self::BEFORE),
            ]),
        );
    }

    /** @param array<int, int> $places */
    private static function check(array $places, int $number): int
    {
        $sum = $number;
        foreach ($places as $place) {
            $sum = ($sum * 31 + $place + 7) % self::MODULUS;
        }

        return $sum;
    }

    /**
     * @param list<string> $parts
     *
     * @return ?KeyParts null when these are no parts of a key
     */
    private static function parted(array $parts): ?KeyParts
    {
        $number = $parts[self::BEFORE] ?? '';
        $words = [...\array_slice($parts, 0, self::BEFORE), ...\array_slice($parts, self::BEFORE + 1)];
        $fits =
            self::WORDS + 1 === \count($parts)
            && 1 === preg_match(self::LOOKS_LIKE_A_NUMBER, $number)
            && [] === array_filter($words, static fn(string $word): bool => 1 !== preg_match('/^[a-z]+$/D', $word));

        return $fits
            ? new KeyParts(
                \array_slice($words, 0, self::BEFORE),
                strtr($number, self::LOOK_ALIKES),
                \array_slice($words, self::BEFORE),
            )
            : null;
    }

    /**
     * The parts of a key that is written without anything between some of them.
     *
     * @return list<string> empty when it has none
     */
    private static function joined(string $text): array
    {
        for ($at = 1; $at + 5 < \strlen($text); ++$at) {
            $before = self::pair(substr($text, 0, $at));
            $after = self::pair(substr($text, $at + 5));
            if ([] !== $before && [] !== $after) {
                return [...$before, substr($text, $at, 5), ...$after];
            }
        }

        return [];
    }

    /** @return list<string> two words of the list that stand side by side; empty where they are none */
    private static function pair(string $joined): array
    {
        $words = SpokenWords::all();
        foreach ($words as $word) {
            if (str_starts_with($joined, $word) && \in_array(substr($joined, \strlen($word)), $words, true)) {
                return [$word, substr($joined, \strlen($word))];
            }
        }

        return [];
    }

    /**
     * @param list<string> $words
     *
     * @return list<?int> the place of each in the list; null for those it does not have
     */
    private static function places(array $words): array
    {
        $list = array_flip(SpokenWords::all());

        return array_map(static fn(string $word): ?int => $list[$word] ?? null, $words);
    }

    /**
     * One word is none of the list: a letter wrong, too many or missing, or two swapped, makes one that the number
     * agrees with.
     *
     * @param list<int> $places
     */
    private static function oneLetter(array $places, int $at, string $typed, string $digits): KeyReading
    {
        foreach (SpokenWords::all() as $place => $word) {
            if (
                levenshtein($typed, $word) <= 1
                || (\strlen($typed) === \strlen($word)
                    && 2 === levenshtein($typed, $word)
                    && count_chars($typed, 1) === count_chars($word, 1))
            ) {
                $key = self::of(array_replace($places, [$at => $place]), (int) substr($digits, 0, 3));
                if (str_contains($key->text, $digits)) {
                    return new KeyReading(KeySlip::OneLetter, meant: $key);
                }
            }
        }

        return new KeyReading(KeySlip::SomeWord, word: $typed);
    }

    /**
     * Words of the list, but the number does not agree: words in another order, or a slip in the number.
     *
     * @param list<int> $places
     */
    private static function almost(array $places, string $digits): KeyReading
    {
        for ($a = 0; $a < self::WORDS; ++$a) {
            for ($b = $a + 1; $b < self::WORDS; ++$b) {
                $key = self::of(
                    array_replace($places, [$a => $places[$b], $b => $places[$a]]),
                    (int) substr($digits, 0, 3),
                );
                if ($places[$a] !== $places[$b] && str_contains($key->text, $digits)) {
                    return new KeyReading(KeySlip::Order, meant: $key);
                }
            }
        }

        return new KeyReading(KeySlip::Number);
    }
}
