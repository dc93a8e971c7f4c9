<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\People\NameKind;
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

    /** @param list<NumberFormat> $formats */
    public function __construct(private array $formats, private Wording $wording) {}

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
        $likely = array_merge([], ...array_column(self::ofTier(array_values($named), $best), 'used'));
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

        return $this->byNameAlone($line, array_values($named), self::ranked($named + $local, $for), $for);
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
     * @param list<Candidate> $named
     * @param list<Candidate> $ranked
     */
    private function byNameAlone(PastedLine $line, array $named, array $ranked, Circumstances $for): Reading
    {
        $ask = new Reading($line, Outcome::Choose, $ranked);
        $fits = self::undominated(
            array_values(
                array_filter($named, static fn(Candidate $each): bool => !self::contradicts($line, $each)),
            ),
        );
        $clear = array_values(array_filter($fits, static fn(Candidate $each): bool => $each->clear));
        if ([] === $clear) {
            $otherwise = array_filter(
                $named,
                static fn(Candidate $each): bool => $each->clear && self::contradicts($line, $each),
            );

            return [] === $otherwise
                ? $ask
                : new Reading($line, Outcome::Choose, $ranked, doubt: Doubt::SaysOtherwise);
        }
        // Whoever is of another kind, or whose account is closed, never stands against somebody who is wanted.
        $live = array_values(
            array_filter(
                $clear,
                static fn(Candidate $each): bool => $for->wanted($each->known->person)
                    && $for->open($each->known->person),
            ),
        );
        $best = max([-1, ...array_map(static fn(Candidate $each): int => $each->tier(), $live)]);
        $dead = max(array_map(static fn(Candidate $each): int => $each->tier(), $clear));
        $slips = array_filter(
            self::ofTier($live, $best),
            static fn(Candidate $each): bool => $each->evidence->isUnsure(),
        );
        // But nobody is taken for them by a slip, or by what is as likely their name.
        $loose = array_filter(self::ofTier($live, $best), static fn(Candidate $each): bool => $each->loose);
        if ([] === $live || ($dead > $best && [] !== [...$slips, ...$loose])) {
            return $ask;
        }
        if (self::areApart($live)) {
            return new Reading($line, Outcome::Choose, $ranked, doubt: Doubt::OneOfTwo);
        }
        $group = self::written($line, self::ofTier($live, $best), $for);
        $decided = \count($fits) < \count(self::ofTier($named, $best)) ? Evidence::TheRowSays : null;
        // While something on the line is not understood, it may be what tells them apart: the site does not decide.
        $unread = [] !== array_filter($group, static fn(Candidate $each): bool => $each->unread);
        $hinted = [] !== array_filter($line->hints, static fn(Hint $hint): bool => $hint->tells());
        $tests = [[Evidence::TheRowSays, static fn(Candidate $each): bool => self::confirms($line, $each)]];
        // The site does not decide between one who has it in that script and one whose letters only sound like it.
        $inScript = array_filter($group, static fn(Candidate $each): bool => self::hasScript($each->known));
        $mixed = self::isInScript($line) && [] !== $inScript && \count($inScript) < \count($group);
        if (!$unread && !$hinted && !$mixed) {
            $ofSite = static fn(Candidate $each): bool => $for->fit($each->known->person);
            $tests[] = [Evidence::OnlyOneForTheSite, $ofSite];
        }
        foreach ($tests as [$why, $test]) {
            $some = array_values(array_filter($group, $test));
            if (\count($group) > 1 && 1 === \count($some)) {
                [$group, $decided] = [$some, $why];
            }
        }
        $one = 1 === \count($group) ? $group[0] : null;
        if (null === $one) {
            return $ask;
        }
        $person = $one->known->person;
        $told = self::confirms($line, $one);
        // Too little, for whom the site is not, or beside a number that is not theirs.
        $strange = [] !== $one->known->lacks($line, PieceKind::Number);
        if ($one->weak && !$told && ($strange || !$for->fit($person))) {
            return $ask;
        }
        $sure = (!$unread && $for->fit($person)) || $told;
        // Somebody the words name in part, or by a short name, may be meant as well, unless the site tells them apart.
        $rivals = array_filter(
            $live,
            static fn(Candidate $each): bool => $each !== $one
                && !$each->extra
                && (!$each->weak || $one->weak || ($best < 3 && $for->fit($each->known->person)))
                && $each->tier() >= ($best < 3 && !$for->fit($person) ? 0 : min(1, $best))
                && $each->tier() < $best
                && !self::isWrittenOtherwise($line, $one, $each, $for)
                && (!$sure || $for->fit($each->known->person) || ($told && self::confirms($line, $each))),
        );
        $crowd = array_intersect_key($for->crowded, array_fill_keys($one->pairs, true));
        if ([] !== $rivals || \in_array(true, $crowd, true) || ([] !== $crowd && ($unread || !$for->fit($person)))) {
            return $ask;
        }
        // A name of the directory that is one slip from this one is more likely another's.
        $isAnother = fn(int $at): bool => $this->isAnotherName($line->pieces[$at], $one->known);
        if (Evidence::SmallDifference === $one->evidence && [] !== array_filter($one->used, $isAnother)) {
            return $ask;
        }

        return new Reading(
            $line,
            Outcome::Match,
            [$one],
            decided: [] !== $crowd ? Evidence::OnlyOneForTheSite : $decided,
        );
    }

    /**
     * Whether a line in another script has one's name in it to the letter, and another writes theirs otherwise, or has
     * none in that script, and the site does not speak for them.
     */
    private static function isWrittenOtherwise(
        PastedLine $line,
        Candidate $one,
        Candidate $other,
        Circumstances $for,
    ): bool {
        $speaks = $for->fit($other->known->person) && !$for->fit($one->known->person);

        return Evidence::ScriptName === $one->evidence
            && Evidence::ScriptName !== $other->evidence
            && (self::hasScript($other->known) || !$speaks)
            && self::isInScript($line);
    }

    private static function isInScript(PastedLine $line): bool
    {
        return 1 !== preg_match('/\p{Latin}/u', $line->text);
    }

    /**
     * Of several whose name a line in another script may be, the only one who has it in that script, unless the site
     * speaks for somebody else.
     *
     * @param list<Candidate> $group
     *
     * @return list<Candidate>
     */
    private static function written(PastedLine $line, array $group, Circumstances $for): array
    {
        if (\count($group) < 2 || !self::isInScript($line)) {
            return $group;
        }
        $some = $others = [];
        foreach ($group as $each) {
            self::hasScript($each->known) ? ($some[] = $each) : ($others[] = $each);
        }
        $fits = static fn(Candidate $each): bool => $for->fit($each->known->person);
        $one = 1 === \count($some) ? $some[0] : null;

        return null === $one || (!$fits($one) && [] !== array_filter($others, $fits)) ? $group : $some;
    }

    private static function hasScript(Known $known): bool
    {
        return \in_array(NameKind::Script, array_column($known->further, 'kind'), true);
    }

    /** Whether a piece is a name that the directory has, and not one of somebody's. */
    private function isAnotherName(Piece $piece, Known $known): bool
    {
        foreach ($piece->words as $word) {
            if (
                !\in_array($word, $known->names(), true)
                && $this->wording->knows($word)
                && !$this->stands($word, $known)
            ) {
                return true;
            }
        }

        return false;
    }

    /**
     * Without those whose name is made of words that stand apart, or is a part of the words that are another's whole
     * name.
     *
     * @param list<Candidate> $candidates
     *
     * @return list<Candidate>
     */
    private static function undominated(array $candidates): array
    {
        $kept = [];
        foreach ($candidates as $each) {
            foreach ($candidates as $other) {
                $stronger = $other !== $each && $other->clear && !$other->weak;
                if (
                    $stronger
                    && (($other->crossing < $each->crossing && [] !== array_intersect($other->used, $each->used)
                        && !self::reaches($each, $other))
                        || ((\count($other->used) > \count($each->used) || $other->words > $each->words)
                            && [] === array_diff($each->used, $other->used)))
                ) {
                    continue 2;
                }
            }
            $kept[] = $each;
        }

        return $kept;
    }

    /**
     * Whether two people are named, one beside the other.
     *
     * @param list<Candidate> $candidates
     */
    private static function areApart(array $candidates): bool
    {
        $places = [];
        foreach ($candidates as $each) {
            $places[implode(' ', $each->used)] = $each->used;
        }
        foreach ($places as $some) {
            foreach ($places as $others) {
                if ([] === array_intersect($some, $others)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** Whether one is called by more of the words than another. */
    private static function reaches(Candidate $one, Candidate $other): bool
    {
        return \count($one->used) > \count($other->used) && [] === array_diff($other->used, $one->used);
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

    /** Whether what the line says of level, division or kind is not so, of somebody in whose name it does not stand. */
    private static function contradicts(PastedLine $line, Candidate $one): bool
    {
        foreach ($line->hints as $hint) {
            if ($hint->sure && $hint->tells() && self::isBeside($hint, $one) && !$hint->fits($one->known->person)) {
                return true;
            }
        }

        return false;
    }

    private static function confirms(PastedLine $line, Candidate $one): bool
    {
        $told = array_filter(
            $line->hints,
            static fn(Hint $hint): bool => $hint->tells() && self::isBeside($hint, $one),
        );
        $agree = array_filter($told, static fn(Hint $hint): bool => $hint->fits($one->known->person));

        return [] !== $told && \count($agree) === \count($told);
    }

    private static function isBeside(Hint $hint, Candidate $one): bool
    {
        return [] === array_intersect($hint->pieces, $one->used);
    }

    /**
     * @param list<Candidate> $candidates
     *
     * @return list<Candidate>
     */
    private static function ofTier(array $candidates, int $tier): array
    {
        return array_values(
            array_filter($candidates, static fn(Candidate $each): bool => $each->tier() === $tier),
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
