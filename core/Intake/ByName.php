<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\People\NameKind;
use MintDoor\Core\Text\NameKeys;

/**
 * Decides whom a line means of those whose names stand there, where no number and no address does: the one who fits
 * best, where nobody who is wanted may be meant as well, by what the line says of them, and then by the site.
 */
final readonly class ByName
{
    public function __construct(private Wording $wording) {}

    /**
     * @param list<Candidate> $named  whom the words name
     * @param list<Candidate> $ranked those who are offered where it is asked
     */
    public function reading(PastedLine $line, array $named, array $ranked, Circumstances $for): Reading
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
    public static function ofTier(array $candidates, int $tier): array
    {
        return array_values(
            array_filter($candidates, static fn(Candidate $each): bool => $each->tier() === $tier),
        );
    }
}
