<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\People\NumberReading;
use MintDoor\Core\People\Person;
use MintDoor\Core\Text\NameKeys;

/**
 * Says whom pasted lines mean. A wrong person is the worst outcome: below a clear margin it asks. An identifier decides
 * unless the name contradicts; a full name that is one person's does; weaker evidence does when the person is one the
 * site is for and nobody else comes into question.
 */
final readonly class Matcher
{
    private const MOST_CANDIDATES = 6;

    /** @param list<NumberFormat> $formats */
    public function __construct(private array $formats, private Wording $wording) {}

    /**
     * @param list<PastedLine> $lines
     * @param list<Known>      $directory everybody who comes into question for some line
     *
     * @return list<Reading> one a line, in order
     */
    public function read(array $lines, array $directory, Circumstances $for): array
    {
        $index = new KnownPeople($directory);
        $seen = [];
        $readings = [];
        foreach ($lines as $line) {
            $reading = $line->person
                ? $this->remembering($this->one($line, $index, $for), $index, $for)
                : new Reading($line, Outcome::NoPerson);
            $who = Outcome::Match === $reading->outcome ? $reading->candidates[0]->known->person->id : null;
            if (null !== $who && isset($seen[$who])) {
                $reading = new Reading($line, Outcome::Repeat, $reading->candidates, repeats: $seen[$who]);
            } elseif (null !== $who) {
                $seen[$who] = $line->number;
            }
            $readings[] = $reading;
        }

        return $readings;
    }

    /**
     * Numbers a mistyped one may have been meant to be: one digit wrong, or two neighbours swapped.
     *
     * @return list<string> that fit the format
     */
    public function meant(string $identifier): array
    {
        $meant = [];
        $format = $this->mistypedAs($identifier);
        $number = NumberFormat::bare($identifier);
        for ($at = \strlen($format->prefix ?? ''); null !== $format && $at < \strlen($number); ++$at) {
            for ($digit = 0; $digit < 10; ++$digit) {
                $meant[substr_replace($number, (string) $digit, $at, 1)] = true;
            }
            if ($at + 1 < \strlen($number)) {
                $meant[substr_replace($number, $number[$at + 1].$number[$at], $at, 2)] = true;
            }
        }

        return array_values(
            array_filter(
                array_map(strval(...), array_keys($meant)),
                static fn(string $each): bool => $each !== $number && NumberReading::Fits === $format?->read($each),
            ),
        );
    }

    private function one(PastedLine $line, KnownPeople $index, Circumstances $for): Reading
    {
        $named = $this->byName($line, $index);
        $identified = self::identified($line, $index);
        if ([] !== $identified) {
            $only = 1 === \count($identified) ? array_values($identified)[0] : null;
            // A name beside it that is another's is asked about; one nobody has is perhaps misspelled.
            $agrees =
                null !== $only && ([] === $line->words || isset($named[array_key_first($identified)]) || [] === $named);

            return new Reading(
                $line,
                $agrees ? Outcome::Match : Outcome::Choose,
                $agrees ? [$only] : self::ranked($identified + $named, $for),
            );
        }
        $mistyped = null;
        // Here all of them are nobody's.
        $open = $line->identifiers;
        foreach ($open as $identifier) {
            $mistyped ??= $this->mistypedAs($identifier)?->name;
            foreach ($this->meant($identifier) as $number) {
                foreach ($index->byIdentifier(mb_strtolower($number)) as $at) {
                    $named[$at] ??= new Candidate($index->people[$at], Evidence::OneDigitOff, false);
                }
            }
        }
        $local = $this->byLocalPart($line, $open, $index);
        $all = $local + $named;
        if ([] === $all) {
            return new Reading($line, Outcome::Unknown, [], $mistyped);
        }
        // Two ways to the same person: the part before the @, and a name that fits.
        $both = array_intersect_key($local, $named);
        if (
            1 === \count($local)
            && null === $mistyped
            && ([] === $line->words || [] !== $both)
            && array_values($local)[0]->clear
            && $for->wanted(array_values($local)[0]->known->person)
        ) {
            return new Reading($line, Outcome::Match, array_values($local));
        }
        $ranked = self::ranked($all, $for);
        if ([] !== $open || [] === $named) {
            return new Reading(
                $line,
                [] === array_filter($all, static fn(Candidate $each): bool => Evidence::OneDigitOff !== $each->evidence)
                    ? Outcome::Unknown
                    : Outcome::Choose,
                $ranked,
                $mistyped,
            );
        }

        return $this->byNameAlone($line, array_values($named), $ranked, $for);
    }

    /**
     * @param list<Candidate> $named
     * @param list<Candidate> $ranked
     */
    private function byNameAlone(PastedLine $line, array $named, array $ranked, Circumstances $for): Reading
    {
        $ask = new Reading($line, Outcome::Choose, $ranked);
        $fits = array_values(
            array_filter($named, static fn(Candidate $each): bool => !self::contradicts($line, $each->known->person)),
        );
        $best = max([
            -1,
            ...array_map(static fn(Candidate $each): int => $each->clear ? $each->evidence->tier() : -1, $fits),
        ]);
        if ($best < 0) {
            return $ask;
        }
        $group = self::ofTier($fits, $best);
        $decided = \count($group) < \count(self::ofTier($named, $best)) ? Evidence::TheRowSays : null;
        // While something on the line is not understood, it may be what tells them apart: the site does not decide.
        $unread = $line->unread || [] !== array_filter($group, static fn(Candidate $each): bool => $each->unread);
        foreach (
            [
                [Evidence::TheRowSays, static fn(Person $person): bool => self::confirms($line, $person)],
                [Evidence::OnlyOneForTheSite, $for->fit(...)],
            ] as [$why, $test]
        ) {
            $some = array_values(array_filter($group, static fn(Candidate $each): bool => $test($each->known->person)));
            if (\count($group) > 1 && 1 === \count($some) && (!$unread || Evidence::OnlyOneForTheSite !== $why)) {
                [$group, $decided] = [$some, $why];
            }
        }
        $one = 1 === \count($group) ? $group[0] : null;
        if (null === $one || !$one->clear || !$for->wanted($one->known->person)) {
            return $ask;
        }
        $person = $one->known->person;
        if (!$for->open($person) && \count($named) > 1) {
            return $ask;
        }
        $sure = (!$unread && $for->fit($person)) || self::confirms($line, $person);
        // Somebody the words name in part, or by a short name, may be meant as well, unless the site tells them apart.
        $rivals = array_filter(
            $fits,
            static fn(Candidate $each): bool => $each !== $one
                && $each->clear
                && $each->evidence->tier() >= min(1, $best)
                && $each->evidence->tier() < $best
                && (!$sure || $for->fit($each->known->person)),
        );
        $crowd = array_intersect_key($for->crowded, array_fill_keys($this->wording->keys($line), true));
        if ([] !== $rivals || \in_array(true, $crowd, true) || ([] !== $crowd && ($unread || !$for->fit($person)))) {
            return $ask;
        }
        // A name of the directory that is one slip from this one is more likely another's.
        if (
            Evidence::SmallDifference === $one->evidence
            && []
                !== array_filter(
                    $line->words,
                    fn(string $word): bool => !\in_array($word, $one->known->names(), true)
                        && $this->wording->knows($word)
                        && !$this->stands($word, $one->known),
                )
        ) {
            return $ask;
        }

        return new Reading(
            $line,
            Outcome::Match,
            [$one],
            decided: [] !== $crowd ? Evidence::OnlyOneForTheSite : $decided,
        );
    }

    /** Whether a word stands for one of somebody's names without a slip. */
    private function stands(string $word, Known $known): bool
    {
        foreach ($known->names() as $name) {
            if (
                NameKeys::canon($name) === NameKeys::canon($word)
                || \in_array($name, $this->wording->nicknames()->of($word), true)
            ) {
                return true;
            }
        }

        return NameKeys::isParticle($word);
    }

    /** @return array<int, Candidate> by index */
    private function byName(PastedLine $line, KnownPeople $index): array
    {
        $fit = new NameFit($this->wording);
        $candidates = [];
        foreach ($this->wording->keys($line) as $key) {
            foreach ($index->byKey($key) as $at) {
                if (!isset($candidates[$at]) && null !== ($candidate = $fit->of($line->words, $index->people[$at]))) {
                    $candidates[$at] = $candidate;
                }
            }
        }

        return $candidates;
    }

    /** @return array<int, Candidate> by index */
    private static function identified(PastedLine $line, KnownPeople $index): array
    {
        $identified = [];
        foreach ($line->identifiers as $identifier) {
            foreach ($index->byIdentifier($identifier) as $at) {
                $identified[$at] = new Candidate($index->people[$at], Evidence::Identifier);
            }
        }

        return $identified;
    }

    /**
     * @param list<string> $open identifiers that are nobody's
     *
     * @return array<int, Candidate> by index
     */
    private function byLocalPart(PastedLine $line, array $open, KnownPeople $index): array
    {
        $candidates = [];
        $alone = [] === $line->identifiers && 1 === \count($line->words);
        foreach ($alone ? $line->words : $open as $identifier) {
            $elsewhere = str_contains($identifier, '@');
            foreach ($index->byLocalPart($elsewhere ? (strstr($identifier, '@', true) ?: '') : $identifier) as $at) {
                // The same before another @ may be anybody's; so may a given name alone.
                $candidates[$at] = new Candidate($index->people[$at], Evidence::LocalPart, !$elsewhere && !$alone);
            }
        }

        return $candidates;
    }

    /** What was settled by hand here before comes first, and is said; it decides nothing by itself. */
    private function remembering(Reading $reading, KnownPeople $index, Circumstances $for): Reading
    {
        $who = $for->remembered[$reading->line->gist()] ?? null;
        $at = null === $who ? null : $index->byId($who);
        if (null === $at || Outcome::Match === $reading->outcome) {
            return $reading;
        }
        $others = array_values(
            array_filter($reading->candidates, static fn(Candidate $each): bool => $each->known->person->id !== $who),
        );
        $own =
            array_values(
                array_filter(
                    $reading->candidates,
                    static fn(Candidate $each): bool => $each->known->person->id === $who,
                ),
            )[0] ?? new Candidate($index->people[$at], Evidence::Remembered, false);

        return new Reading(
            $reading->line,
            Outcome::Choose,
            [$own->again(), ...\array_slice($others, 0, self::MOST_CANDIDATES - 1)],
            $reading->mistyped,
        );
    }

    private static function contradicts(PastedLine $line, Person $person): bool
    {
        return ([] !== $line->levels && !\in_array($person->level, $line->levels, true))
            || ([] !== $line->divisions && !\in_array($person->division, $line->divisions, true));
    }

    private static function confirms(PastedLine $line, Person $person): bool
    {
        return ([] !== $line->levels || [] !== $line->divisions) && !self::contradicts($line, $person);
    }

    /**
     * @param list<Candidate> $candidates
     *
     * @return list<Candidate>
     */
    private static function ofTier(array $candidates, int $tier): array
    {
        return array_values(
            array_filter($candidates, static fn(Candidate $each): bool => $each->evidence->tier() === $tier),
        );
    }

    private function mistypedAs(string $identifier): ?NumberFormat
    {
        foreach ($this->formats as $format) {
            if (NumberReading::WrongCheckDigit === $format->read($identifier)) {
                return $format;
            }
        }

        return null;
    }

    /**
     * @param array<int, Candidate> $candidates
     *
     * @return list<Candidate> the strongest first, and of those the ones the site is for
     */
    private static function ranked(array $candidates, Circumstances $for): array
    {
        $order = static fn(Candidate $each): array => [
            -$each->evidence->strength(),
            $for->open($each->known->person) ? 0 : 1,
            $for->fit($each->known->person) ? 0 : 1,
            $for->wanted($each->known->person) ? 0 : 1,
            $each->known->person->id,
        ];
        usort($candidates, static fn(Candidate $a, Candidate $b): int => $order($a) <=> $order($b));

        return \array_slice($candidates, 0, self::MOST_CANDIDATES);
    }
}
