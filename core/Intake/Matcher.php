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

    /** Lines at the end that may be a signature, once somebody has said goodbye. */
    private const SIGNATURE = 4;

    /** In longer lines what tells of somebody else is looked for in each part. */
    private const MOST_WORDS = 40;

    /** Longer lines on which nobody is found are no people. */
    private const LONGEST = 200;

    private ByName $byName;

    /** @param list<NumberFormat> $formats */
    public function __construct(private array $formats, private Wording $wording)
    {
        $this->byName = new ByName($wording);
    }

    /**
     * @param list<PastedLine> $lines
     * @param list<Known>      $directory everybody who comes into question for some line
     *
     * @return list<Reading> in order; a line that is about several people has one for each
     */
    public function read(array $lines, array $directory, Circumstances $for): array
    {
        $naming = new Naming($this->wording, new KnownPeople($directory));
        $dividing = new Dividing($naming);
        $readings = [];
        foreach ($lines as $line) {
            $names = $this->names($line, $naming);
            $reversed = Cues::reversed($line, $names);
            $told = $reversed ? $line : self::withoutOthers($line, $names);
            $out = [] !== $names && min($names) > 0 && Cues::out($line->part(0, min($names)), []);
            foreach ($dividing->of($told) as $part) {
                $reading = $this->remembering($this->one($part, $naming, $for, $out, $reversed), $naming, $for);
                $readings[] = $reading;
            }
        }

        return self::repeats(self::unsigned($readings));
    }

    /**
     * Whoever an earlier line means is a repeat.
     *
     * @param list<Reading> $readings
     *
     * @return list<Reading>
     */
    private static function repeats(array $readings): array
    {
        $seen = [];
        foreach ($readings as $at => $reading) {
            $who = Outcome::Match === $reading->outcome ? $reading->candidates[0]->known->person->id : null;
            if (null !== $who && isset($seen[$who])) {
                $readings[$at] = new Reading(
                    $reading->line,
                    Outcome::Repeat,
                    $reading->candidates,
                    repeats: $seen[$who],
                );
            } elseif (null !== $who) {
                $seen[$who] = $reading->line->number;
            }
        }

        return array_values($readings);
    }

    /**
     * Who signs a message after saying goodbye is not on the list.
     *
     * @param list<Reading> $readings
     *
     * @return list<Reading>
     */
    private static function unsigned(array $readings): array
    {
        $isNamed = static fn(Reading $each): bool => \in_array(
            $each->outcome,
            [Outcome::Match, Outcome::Choose],
            true,
        );
        $people = false;
        foreach ($readings as $place => $reading) {
            $nobody = Outcome::NoPerson === $reading->outcome && !$reading->line->meant;
            $last = \count($readings) - $place - 1 <= self::SIGNATURE;
            if ($people && $nobody && $last && Vocabulary::closes($reading->line->words)) {
                $rest = \array_slice($readings, $place + 1);
                // Two who are named behind it are still the list.
                if (\count(array_filter($rest, $isNamed)) < 2) {
                    return [
                        ...\array_slice($readings, 0, $place + 1),
                        ...array_map(
                            static fn(Reading $each): Reading => $each->line->meant || self::isProven($each)
                                ? $each
                                : new Reading($each->line, Outcome::NoPerson),
                            $rest,
                        ),
                    ];
                }
            }
            $people = $people || $isNamed($reading);
        }

        return $readings;
    }

    /** Whether a number stands there that is somebody's. */
    private static function isProven(Reading $reading): bool
    {
        $numbers = array_filter(
            $reading->line->pieces,
            static fn(Piece $piece): bool => PieceKind::Number === $piece->kind,
        );

        return [] !== $numbers && Evidence::Identifier === ($reading->candidates[0] ?? null)?->evidence;
    }

    /** @return list<int> pieces of a line that are the name of somebody who is called so beyond doubt */
    private function names(PastedLine $line, Naming $naming): array
    {
        $names = [];
        foreach ($line->person && \count($line->words) <= self::MOST_WORDS ? $naming->named($line) : [] as $candidate) {
            $names += $candidate->clear && $candidate->crossing < 3 ? array_fill_keys($candidate->used, true) : [];
        }
        $names = array_keys($names);
        sort($names);

        return $names;
    }

    /**
     * A line without those who are named only to say for whom somebody comes, or whose they are.
     *
     * @param list<int> $names
     */
    private static function withoutOthers(PastedLine $line, array $names): PastedLine
    {
        $at = $line->person ? Cues::other($line, $names) : null;
        if (null === $at) {
            return $line;
        }
        $inside = $line->pieces[$at]->inside;
        for (
            $until = $at + 1;
            isset($line->pieces[$until])
            && ($inside ? $line->pieces[$until]->inside : Gap::Cell !== $line->pieces[$until]->gap);
            ++$until
        ) {
        }

        return $line->aside($at, $until);
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

    private function one(PastedLine $line, Naming $naming, Circumstances $for, bool $out, bool $reversed): Reading
    {
        if (!$line->person) {
            return new Reading($line, Outcome::NoPerson);
        }
        $named = $naming->named($line);
        $identified = $naming->identified($line);
        $local = $this->byLocalPart($line, $naming->index, [] !== $identified);
        $mistyped = null;
        foreach ([] === $identified ? $line->identifiers : [] as $identifier) {
            $format = $this->mistypedAs($identifier);
            // Beside a name it is one that was mistyped where it is nearly theirs, and anything else otherwise.
            foreach ($this->meant($identifier) as $number) {
                foreach ($naming->index->byIdentifier(mb_strtolower($number)) as $at) {
                    if (isset($named[$at]) || [] === $named) {
                        $mistyped ??= $format?->name;
                        $local[$at] ??= new Candidate($naming->index->people[$at], Evidence::OneDigitOff, false);
                    }
                }
            }
            $mistyped ??= [] === $named ? $format?->name : null;
        }
        $all = $identified + $named + $local;
        $clear = array_filter($all, static fn(Candidate $each): bool => $each->clear);
        // Nobody was found, or only somebody whose name is a little like a word of what is no person.
        $nobody = [] === $clear && [] === $local ? $this->nobody($line, $mistyped) : null;
        if (null !== $nobody && ([] === $all || Outcome::NoPerson === $nobody->outcome)) {
            return $nobody;
        }
        $used = array_merge([], ...array_map(static fn(Candidate $each): array => $each->used, array_values($named)));
        $words = $line->pieces[0]->words ?? [];
        if (
            [] === $identified
            && !$line->meant
            && Vocabulary::has(Vocabulary::GREETING, $words[0] ?? '')
            && !\in_array(0, $used, true)
            && !isset($line->pieces[5])
        ) {
            return new Reading($line, Outcome::NoPerson);
        }
        // Whoever is a little like the words does not take a cue away.
        $best = max([0, ...array_map(static fn(Candidate $each): int => $each->tier(), array_values($named))]);
        $likely = array_merge([], ...array_column(ByName::ofTier(array_values($named), $best), 'used'));
        if ($out || Cues::out($line, $likely)) {
            return new Reading($line, Outcome::Choose, self::ranked($all, $for), doubt: Doubt::NotComing);
        }
        if ($reversed) {
            return new Reading($line, Outcome::Choose, self::ranked($all, $for), doubt: Doubt::OneOfTwo);
        }
        if ([] !== $identified) {
            return $this->byIdentifier($line, $identified, $named, $for);
        }
        if (null !== $mistyped || [] === $named) {
            return $this->byLocalPartAlone($line, $named, $local, $mistyped, $for);
        }
        $login = array_values($local)[0] ?? null;
        if (null !== $login && $login->clear && 1 === \count($local) && isset($named[array_key_first($local)])
            && $for->wanted($login->known->person)) {
            return new Reading($line, Outcome::Match, [$login]);
        }

        return $this->byName->reading($line, array_values($named), self::ranked($named + $local, $for), $for);
    }

    /**
     * @param array<int, Candidate> $identified
     * @param array<int, Candidate> $named
     */
    private function byIdentifier(PastedLine $line, array $identified, array $named, Circumstances $for): Reading
    {
        $only = 1 === \count($identified) ? array_values($identified)[0] : null;
        $others = array_filter(
            $named,
            static fn(Candidate $each): bool => $each->clear && $each->tier() > 0,
        );
        // A name beside it that is another's is asked about; one nobody has is perhaps misspelled.
        $agrees = null !== $only && (isset($named[array_key_first($identified)]) || [] === $others)
            && !$this->isAnothers($line, $only->known);

        return new Reading(
            $line,
            $agrees ? Outcome::Match : Outcome::Choose,
            $agrees ? [$only] : self::ranked($identified + $named, $for),
            doubt: $agrees ? null : Doubt::TwoPeople,
        );
    }

    /** Whether the words are a name, and none of it somebody's. */
    private function isAnothers(PastedLine $line, Known $known): bool
    {
        $words = array_values(
            array_filter(
                $line->words,
                fn(string $word): bool => \strlen($word) > 1
                    && $this->wording->knows($word)
                    && !Vocabulary::has(Vocabulary::HEADING, $word),
            ),
        );

        return \count($words) > 1 && [] === (new NameFit($this->wording))->placed($words, $known);
    }

    /**
     * @param array<int, Candidate> $named
     * @param array<int, Candidate> $local
     */
    private function byLocalPartAlone(
        PastedLine $line,
        array $named,
        array $local,
        ?string $mistyped,
        Circumstances $for,
    ): Reading {
        $one = 1 === \count($local) ? array_values($local)[0] : null;
        if (null === $mistyped && [] === $named && null !== $one && $one->clear && $for->wanted($one->known->person)) {
            return new Reading($line, Outcome::Match, [$one]);
        }
        $sure = array_filter(
            $named + $local,
            static fn(Candidate $each): bool => Evidence::OneDigitOff !== $each->evidence,
        );

        return new Reading(
            $line,
            [] === $sure ? Outcome::Unknown : Outcome::Choose,
            self::ranked($local + $named, $for),
            $mistyped,
        );
    }

    /** A line on which nobody was found: somebody who is not in the directory, or no person at all. */
    private function nobody(PastedLine $line, ?string $mistyped): Reading
    {
        $sure = array_filter(
            $line->pieces,
            static fn(Piece $piece): bool => PieceKind::Address === $piece->kind
                || (PieceKind::Number === $piece->kind && \strlen($piece->text) > 3),
        );
        $hinted = array_fill_keys(array_merge([], ...array_column($line->hints, 'pieces')), true);
        $names = $heads = $capitals = 0;
        $words = [];
        foreach ($line->pieces as $at => $piece) {
            if (PieceKind::Login === $piece->kind && 1 === \count($line->pieces)) {
                return new Reading($line, Outcome::Unknown);
            }
            if (PieceKind::Word !== $piece->kind || isset($hinted[$at])) {
                continue;
            }
            foreach ($piece->words as $word) {
                if (!Vocabulary::has(Vocabulary::TITLES, $word) && !NameKeys::isParticle($word)) {
                    $words[] = $word;
                    $heading = Vocabulary::has(Vocabulary::HEADING, $word)
                        || Vocabulary::has(Vocabulary::CLOSING, $word)
                        || Cues::isOne($word);
                    $heads += (int) $heading;
                    $names += (int) (!$heading && $this->wording->isName($word));
                    $capitals += (int) $piece->capital();
                }
            }
        }
        $count = \count($words);
        $person = match (true) {
            $line->meant, null !== $mistyped => true,
            [] !== $sure => 0 === $heads || $names >= $heads,
            0 === $count, mb_strlen($line->text) > self::LONGEST => false,
            Vocabulary::has(Vocabulary::GREETING, $words[0]) && $heads >= $names => false,
            $heads > 0 => $names > 0 && $names >= $heads && $capitals === $count,
            1 === preg_match('/[:!?]\s*$/u', $line->text) => false,
            1 === $count => $names > 0 && $capitals > 0,
            $count > 5 => $names > 1 && $capitals === $count,
            default => $capitals === $count || $names > 1,
        };

        return new Reading($line, $person ? Outcome::Unknown : Outcome::NoPerson, [], $mistyped);
    }

    /**
     * Identifiers that people of a line may have, to be looked up.
     *
     * @return list<string>
     */
    public function identifiers(PastedLine $line): array
    {
        $alone = [] === $line->identifiers && 1 === \count($line->words) ? $line->words : [];
        $all = [];
        foreach ([...$line->identifiers, ...$alone] as $identifier) {
            $local = str_contains($identifier, '@') ? [strstr($identifier, '@', true) ?: ''] : [];
            array_push($all, $identifier, ...$local, ...$this->meant($identifier));
        }

        return array_values(array_unique($all));
    }

    /** @return array<int, Candidate> by index */
    private function byLocalPart(PastedLine $line, KnownPeople $index, bool $identified): array
    {
        $candidates = [];
        $alone = [] === $line->identifiers && 1 === \count($line->words);
        foreach ($identified ? [] : ($alone ? $line->words : $line->identifiers) as $identifier) {
            $elsewhere = str_contains($identifier, '@');
            $local = $elsewhere ? (strstr($identifier, '@', true) ?: '') : $identifier;
            foreach ([...$index->byLocalPart($local), ...$elsewhere ? $index->byIdentifier($local) : []] as $at) {
                // The same before another @ may be anybody's; so may a given name alone.
                $candidates[$at] = new Candidate($index->people[$at], Evidence::LocalPart, !$elsewhere && !$alone);
            }
        }

        return $candidates;
    }

    /** What was settled by hand here before comes first, and is said; it decides nothing by itself. */
    private function remembering(Reading $reading, Naming $naming, Circumstances $for): Reading
    {
        $who = $for->remembered[$reading->line->gist()] ?? null;
        $at = null === $who ? null : $naming->index->byId($who);
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
            )[0] ?? new Candidate($naming->index->people[$at], Evidence::Remembered, false);

        return new Reading(
            $reading->line,
            Outcome::Choose,
            [$own->again(), ...\array_slice($others, 0, self::MOST_CANDIDATES - 1)],
            $reading->mistyped,
            doubt: $reading->doubt,
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
        $order = array_map(
            static fn(Candidate $each): array => [
                -$each->tier(),
                $for->open($each->known->person) ? 0 : 1,
                $each->crossing,
                -$each->evidence->strength(),
                $for->fit($each->known->person) ? 0 : 1,
                $for->wanted($each->known->person) ? 0 : 1,
                $each->known->person->id,
            ],
            $candidates,
        );
        asort($order);

        return array_map(
            static fn(int $at): Candidate => $candidates[$at],
            array_keys(\array_slice($order, 0, self::MOST_CANDIDATES, true)),
        );
    }
}
