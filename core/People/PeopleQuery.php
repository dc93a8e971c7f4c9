<?php

declare(strict_types=1);

namespace MintDoor\Core\People;

use MintDoor\Core\Text\Folding;

/** What somebody typed to find people, understood: words that names may begin with, and the whole as one identifier. */
final readonly class PeopleQuery
{
    /** Fewer characters than this find nothing. */
    public const SHORTEST = 2;

    private const MOST_TOKENS = 6;

    /**
     * @param list<string> $tokens     folded words; each begins some word of the name, in any order
     * @param string       $identifier the whole text as a number, login or address
     */
    private function __construct(public array $tokens, public string $identifier) {}

    public static function of(string $typed): self
    {
        $identifier = Folding::identifier(mb_substr(mb_scrub($typed), 0, 200));

        return new self(\array_slice(Folding::tokens($identifier), 0, self::MOST_TOKENS), $identifier);
    }

    /** Whether there is too little to look for. */
    public function tooShort(): bool
    {
        return mb_strlen($this->identifier) < self::SHORTEST
            || ([] === $this->tokens && !str_contains($this->identifier, '@'));
    }

    /** Whether each word begins some word of these names. */
    public function matchesNames(string $names): bool
    {
        return [] !== $this->tokens && \count($this->tokens) === $this->begun(Folding::tokens($names));
    }

    /**
     * How well a person fits; higher is better. Whole words count more than beginnings, and the order typed counts a
     * little. An identifier typed in full is above all names.
     *
     * @param list<string> $words       folded words of the person's names
     * @param list<string> $identifiers number, login, address
     */
    public function score(array $words, array $identifiers): int
    {
        if ($this->names($identifiers)) {
            return 1000;
        }
        $whole = \count(array_intersect($this->tokens, $words));
        $inOrder = str_contains(' '.implode(' ', $words), ' '.implode(' ', $this->tokens)) ? 1 : 0;

        return 10 * $whole + $inOrder;
    }

    /**
     * Whether one of these identifiers was typed in full.
     *
     * @param list<string> $identifiers
     */
    public function names(array $identifiers): bool
    {
        foreach ($identifiers as $identifier) {
            if ('' !== $identifier && Folding::identifier($identifier) === $this->identifier) {
                return true;
            }
        }

        return false;
    }

    /** @param list<string> $words */
    private function begun(array $words): int
    {
        return \count(
            array_filter($this->tokens, static function (string $token) use ($words): bool {
                foreach ($words as $word) {
                    if (str_starts_with($word, $token)) {
                        return true;
                    }
                }

                return false;
            }),
        );
    }
}
