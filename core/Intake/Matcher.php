<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\People\NumberReading;
use MintDoor\Core\Sites\Site;

/**
 * Says whom pasted lines mean. A wrong person is the worst outcome: only an identifier in full that the name does not
 * contradict, or a full name that is one person's, is a match; anything less is asked.
 */
final readonly class Matcher
{
    private const MOST_CANDIDATES = 6;

    /** Whoever looks for so many for one line may not have found them all: then nobody is taken by name. */
    public const MANY = 24;

    /** @param list<NumberFormat> $formats */
    public function __construct(private array $formats)
    {
    }

    /**
     * @param list<PastedLine> $lines
     * @param list<Known>      $directory everybody who comes into question for some line
     *
     * @return list<Reading> one a line, in order
     */
    public function read(array $lines, array $directory, Site $site): array
    {
        $byIdentifier = $byWord = [];
        foreach ($directory as $index => $known) {
            foreach ($known->identifiers as $identifier) {
                $byIdentifier[$identifier][] = $index;
            }
            foreach (array_unique([...$known->given, ...$known->family, ...$known->preferred, ...$known->former]) as $word) {
                $byWord[$word][] = $index;
            }
        }
        $seen = [];
        $readings = [];
        foreach ($lines as $line) {
            $reading = $this->one($line, $directory, $byIdentifier, $byWord, $site);
            $who = Outcome::Match === $reading->outcome ? $reading->candidates[0]->known->person->id : null;
            if (null !== $who && isset($seen[$who])) {
                $reading = new Reading($line, Outcome::Repeat, $reading->candidates);
            } elseif (null !== $who) {
                $seen[$who] = true;
            }
            $readings[] = $reading;
        }

        return $readings;
    }

    /**
     * @param list<Known>              $directory
     * @param array<string, list<int>> $byIdentifier
     * @param array<string, list<int>> $byWord
     */
    private function one(PastedLine $line, array $directory, array $byIdentifier, array $byWord, Site $site): Reading
    {
        if (!$line->person) {
            return new Reading($line, Outcome::NoPerson);
        }
        $named = $this->byName($line, $directory, $byWord);
        $identified = [];
        foreach ($line->identifiers as $identifier) {
            foreach ($byIdentifier[$identifier] ?? [] as $index) {
                $identified[$index] = new Candidate($directory[$index], Evidence::Identifier);
            }
        }
        if ([] !== $identified) {
            $only = 1 === \count($identified) ? array_values($identified)[0] : null;
            // A name beside it that is another's is asked about.
            $agrees = null !== $only && ([] === $line->words || isset($named[array_key_first($identified)]) || [] === $named);

            return new Reading($line, $agrees ? Outcome::Match : Outcome::Choose, $agrees ? [$only] : $this->ranked($identified + $named));
        }
        $mistyped = $this->mistyped($line);
        if ([] === $named) {
            return new Reading($line, Outcome::Unknown, [], $mistyped);
        }
        $ranked = $this->ranked($named);
        $sure = array_values(array_filter($named, static fn (Candidate $each): bool => $each->evidence->strength() >= Evidence::FormerName->strength()));
        if ([] === $sure || null !== $mistyped || [] !== $line->identifiers || \count($named) >= self::MANY) {
            return new Reading($line, Outcome::Choose, $ranked, $mistyped);
        }
        if (1 === \count($sure)) {
            return new Reading($line, Outcome::Match, $sure);
        }
        $for = array_values(array_filter($sure, static fn (Candidate $each): bool => self::isFor($site, $each->known)));

        return 1 === \count($for)
            ? new Reading($line, Outcome::Match, $for, decided: Evidence::OnlyOneForTheSite)
            : new Reading($line, Outcome::Choose, $ranked);
    }

    /**
     * @param list<Known>              $directory
     * @param array<string, list<int>> $byWord
     *
     * @return array<int, Candidate> by index in the directory
     */
    private function byName(PastedLine $line, array $directory, array $byWord): array
    {
        $candidates = [];
        foreach ($line->words as $word) {
            foreach ($byWord[$word] ?? [] as $index) {
                if (!isset($candidates[$index])) {
                    $evidence = self::compare($line->words, $directory[$index]);
                    if (null !== $evidence) {
                        $candidates[$index] = new Candidate($directory[$index], $evidence);
                    }
                }
            }
        }

        return $candidates;
    }

    /** @param list<string> $words */
    private static function compare(array $words, Known $known): ?Evidence
    {
        return match (true) {
            self::same($words, [...$known->given, ...$known->family]) => Evidence::FullName,
            [] !== $known->preferred && self::same($words, [...$known->preferred, ...$known->family]), [] !== $known->preferred && self::same($words, [...$known->preferred, ...$known->given, ...$known->family]) => Evidence::PreferredName,
            [] !== $known->former && (self::same($words, [...$known->given, ...$known->former]) || self::same($words, [...$known->preferred, ...$known->former])) => Evidence::FormerName,
            self::byInitials($words, $known) => Evidence::Initials,
            self::isPart($words, $known) => Evidence::PartOfTheName,
            self::isNear($words, $known) => Evidence::SmallDifference,
            default => null,
        };
    }

    /**
     * Whether these are the same words, in any order.
     *
     * @param list<string> $words
     * @param list<string> $names
     */
    private static function same(array $words, array $names): bool
    {
        return [] !== $names && self::sorted($words) === self::sorted($names);
    }

    /**
     * The family name whole, and for each given name its first letter.
     *
     * @param list<string> $words
     */
    private static function byInitials(array $words, Known $known): bool
    {
        $letters = array_values(array_filter($words, static fn (string $word): bool => 1 === \strlen($word)));
        $rest = array_values(array_diff($words, $letters));
        if ([] === $letters || [] === $rest || self::sorted($rest) !== self::sorted($known->family)) {
            return false;
        }
        foreach ([$known->given, $known->preferred] as $names) {
            if ([] !== $names && $letters === array_map(static fn (string $name): string => $name[0], \array_slice($names, 0, \count($letters)))) {
                return true;
            }
        }

        return false;
    }

    /**
     * At least a given and a family name, and nothing that is not theirs; or theirs whole, and something besides.
     *
     * @param list<string> $words
     */
    private static function isPart(array $words, Known $known): bool
    {
        $all = [...$known->given, ...$known->preferred, ...$known->family, ...$known->former];
        $given = array_intersect($words, [...$known->given, ...$known->preferred]);
        $family = array_intersect($words, [...$known->family, ...$known->former]);
        if ([] === $given || [] === $family) {
            return false;
        }

        return [] === array_diff($words, $all) || [] === array_diff([...$known->given, ...$known->family], $words);
    }

    /**
     * All words but one are theirs, and that one is a letter or two off one of theirs (edit distance after Levenshtein).
     *
     * @param list<string> $words
     */
    private static function isNear(array $words, Known $known): bool
    {
        $all = [...$known->given, ...$known->preferred, ...$known->family];
        $off = array_values(array_diff($words, $all));
        $left = array_values(array_diff($all, $words));
        if (1 !== \count($off) || \count($words) < 2) {
            return false;
        }
        foreach ($left as $name) {
            if (levenshtein($off[0], $name) <= (\strlen($name) > 5 ? 2 : 1)) {
                return true;
            }
        }

        return false;
    }

    private static function isFor(Site $site, Known $known): bool
    {
        $person = $known->person;

        return $person->division === $site->division && (null === $site->levels || (null !== $person->level && $site->levels->contains($person->level)));
    }

    private function mistyped(PastedLine $line): ?string
    {
        foreach ($line->identifiers as $identifier) {
            foreach ($this->formats as $format) {
                if (NumberReading::WrongCheckDigit === $format->read($identifier)) {
                    return $format->name;
                }
            }
        }

        return null;
    }

    /**
     * @param array<int, Candidate> $candidates
     *
     * @return list<Candidate>
     */
    private function ranked(array $candidates): array
    {
        usort($candidates, static fn (Candidate $a, Candidate $b): int => [$b->evidence->strength(), $a->known->person->id] <=> [$a->evidence->strength(), $b->known->person->id]);

        return \array_slice($candidates, 0, self::MOST_CANDIDATES);
    }

    /**
     * @param array<array-key, string> $words
     *
     * @return list<string>
     */
    private static function sorted(array $words): array
    {
        $words = array_values(array_unique($words));
        sort($words);

        return $words;
    }
}
