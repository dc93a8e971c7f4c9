<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\Text\NameKeys;

/**
 * Takes a line apart into the people it is about: never one person out of two people's words, and nobody is swallowed.
 * A part is somebody's where it names somebody by itself; what names nobody belongs to whom it stands beside.
 */
final readonly class Dividing
{
    private const LEVELS = [Gap::Cell, Gap::Join, Gap::Dash, Gap::Comma];

    /** Words of somebody who is not in the directory. */
    private const STRANGER = 4;

    public function __construct(private Naming $naming) {}

    /** @return non-empty-list<PastedLine> */
    public function of(PastedLine $line): array
    {
        $count = \count($line->pieces);
        if (!$line->person || $line->whole || $count < 2) {
            return [$line];
        }
        $parts = [];
        foreach ($this->ranges($line, 0, $count, 0) as [$from, $until, $borrowed]) {
            foreach ([] === $borrowed ? $this->identified($line, $from, $until) : [[$from, $until]] as [$one, $other]) {
                $parts[] = [$one, $other, $borrowed];
            }
        }
        if (\count($parts) < 2) {
            return [$line];
        }

        return array_map(static fn(array $part): PastedLine => $line->part(...$part), $parts);
    }

    /** @return list<array{int, int, list<Piece>}> from, until, and a family name that stands elsewhere */
    private function ranges(PastedLine $line, int $from, int $until, int $level): array
    {
        $gap = self::LEVELS[$level] ?? null;
        if (null === $gap) {
            return [[$from, $until, []]];
        }
        $segments = self::segments($line, $from, $until, $gap);
        if (\count($segments) < 2) {
            return $this->ranges($line, $from, $until, $level + 1);
        }
        $who = array_map(fn(array $one): array => $this->whom($line, ...$one), $segments);
        if (
            [] === array_filter($who)
            || $this->isOne($line, $from, $until, $segments)
            || (Gap::Dash === $gap && !$this->areApart($line, $segments, $who))
        ) {
            return $this->ranges($line, $from, $until, $level + 1);
        }
        $groups = $this->groups($line, $segments, $who, $gap);
        if (1 === \count($groups)) {
            return $this->ranges($line, $from, $until, $level + 1);
        }
        $ranges = [];
        foreach ($groups as [$one, $other, $borrowed]) {
            array_push(
                $ranges,
                ...[] === $borrowed ? $this->ranges($line, $one, $other, $level + 1) : [[$one, $other, $borrowed]],
            );
        }

        return $ranges;
    }

    /** @return non-empty-list<array{int, int}> */
    private static function segments(PastedLine $line, int $from, int $until, Gap $gap): array
    {
        $cuts = [$from];
        for ($at = $from + 1; $at < $until; ++$at) {
            if ($gap === $line->pieces[$at]->gap && !$line->pieces[$at]->inside) {
                $cuts[] = $at;
            }
        }

        return self::between($cuts, $until);
    }

    /** @return array<int, bool> by index of whom a part names by itself; whether by a number, a login or an address */
    private function whom(PastedLine $line, int $from, int $until): array
    {
        $part = $line->part($from, $until);
        $identified = $this->naming->identified($part);
        $named = array_filter($this->naming->named($part), $this->naming->stands(...));
        if ([] !== $identified) {
            return array_fill_keys(array_keys($identified), true);
        }

        return array_fill_keys(array_keys($named), false);
    }

    /**
     * Whether dashes stand between people: each part is nothing but somebody's name, or their number, and no two of
     * them are of one name. What stands behind a dash is a remark as often as not, or says who somebody is.
     *
     * @param list<array{int, int}>  $segments
     * @param list<array<int, bool>> $who
     */
    private function areApart(PastedLine $line, array $segments, array $who): bool
    {
        $families = [];
        foreach ($segments as $n => [$from, $until]) {
            $part = $line->part($from, $until);
            $ended = $from > 0 ? $line->pieces[$from - 1]->until() : 0;
            $between = substr($line->text, $ended, $line->pieces[$from]->from - $ended);
            if (
                [] === $who[$n]
                || [] !== $part->hints
                || (
                    $n > 0
                    && 1 !== preg_match('/^\s[-–—]+\s$/u', $between)
                )
            ) {
                return false;
            }
            $whole = array_filter(
                $this->naming->named($part),
                fn(Candidate $each): bool => $this->naming->stands($each) && !$each->unread && !$each->weak,
            );
            $numbers = array_filter(
                $part->pieces,
                static fn(Piece $each): bool => '' === $each->identifier,
            );
            if ([] === $whole && [] !== $numbers) {
                return false;
            }
            foreach (self::families($part, array_values($whole)) as $family) {
                if (isset($families[$family]) && $families[$family] !== $n) {
                    return false;
                }
                $families[$family] = $n;
            }
        }

        return true;
    }

    /**
     * @param list<Candidate> $candidates
     *
     * @return list<string> words of family names
     */
    private static function families(PastedLine $part, array $candidates): array
    {
        $words = [];
        foreach ($candidates as $each) {
            foreach ($each->family as $at) {
                array_push($words, ...$part->pieces[$at]->words);
            }
        }

        return array_values(array_unique($words));
    }

    /**
     * Whether somebody is called by all the words of several parts: the parts are their name.
     *
     * @param list<array{int, int}> $segments
     */
    private function isOne(PastedLine $line, int $from, int $until, array $segments): bool
    {
        $words = array_filter(
            range($from, $until - 1),
            static fn(int $at): bool => [] !== $line->pieces[$at]->words,
        );
        if (\count($segments) > 4 || \count($words) < 2) {
            return false;
        }
        foreach ($this->naming->named($line->part($from, $until)) as $candidate) {
            $used = array_map(static fn(int $at): int => $at + $from, $candidate->used);
            $bare = array_filter(
                $segments,
                static fn(array $one): bool => [] === array_intersect($used, range($one[0], $one[1] - 1)),
            );
            if ($candidate->clear && !$candidate->weak && [] === $bare && [] === array_diff($words, $used)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param non-empty-list<array{int, int}> $segments
     * @param list<array<int, bool>>          $who
     *
     * @return list<array{int, int, list<Piece>}>
     */
    private function groups(PastedLine $line, array $segments, array $who, Gap $gap): array
    {
        $begins = $borrowed = [];
        $last = null;
        foreach ($segments as $at => $segment) {
            if ([] !== $who[$at]) {
                // A number behind a name, or a name behind a number, of the same person.
                $same = null !== $last
                    && [] !== array_intersect_key($who[$last], $who[$at])
                    && (\in_array(true, $who[$last], true) || \in_array(true, $who[$at], true));
                $same || ($begins[$at] = true);
                $last = $same ? $last : $at;
                continue;
            }
            $lent = Gap::Join === $gap ? $this->lent($line, $segments, $who, $at) : [];
            if ([] !== $lent) {
                $begins[$at] = true;
                $borrowed[$at] = $lent;
            } elseif ($this->isAStranger($line, $segment, $gap)) {
                $begins[$at] = true;
            }
        }
        $ends = $segments[array_key_last($segments)][1];
        // What stands before the first of them is their remark.
        $places = array_keys($begins);
        if (\count($places) < 2 || $this->isAContradiction($line, $segments, $who, $gap)) {
            return [[$segments[0][0], $ends, []]];
        }
        $groups = [];
        foreach ($places as $n => $at) {
            $groups[] = [
                0 === $n ? $segments[0][0] : $segments[$at][0],
                isset($places[$n + 1]) ? $segments[$places[$n + 1]][0] : $ends,
                $borrowed[$at] ?? [],
            ];
        }

        return $groups;
    }

    /**
     * A number of one person beside the name of another, and nobody else: that is no list, but to be asked about.
     *
     * @param list<array{int, int}>  $segments
     * @param list<array<int, bool>> $who
     */
    private function isAContradiction(PastedLine $line, array $segments, array $who, Gap $gap): bool
    {
        $standing = array_values(array_filter($who));
        if (2 !== \count($standing) || Gap::Join === $gap) {
            return false;
        }
        $proven = array_map(static fn(array $each): bool => \in_array(true, $each, true), $standing);

        return $proven[0] !== $proven[1] && [] === array_intersect_key($standing[0], $standing[1]);
    }

    /**
     * The family name that a part of given names shares with the part beside it.
     *
     * @param list<array{int, int}>  $segments
     * @param list<array<int, bool>> $who
     *
     * @return list<Piece>
     */
    private function lent(PastedLine $line, array $segments, array $who, int $at): array
    {
        [$from, $until] = $segments[$at];
        $own = \array_slice($line->pieces, $from, $until - $from);
        foreach ($own as $place => $piece) {
            $isGiven = 0 === $place || $this->naming->index->isGiven($piece->words[0] ?? '');
            if (
                PieceKind::Word !== $piece->kind
                || \count($own) > 2
                || !$isGiven
                || !$this->naming->mayBeNames($piece)
            ) {
                return [];
            }
        }
        // Behind a stroke stands what is said of somebody as often as somebody else.
        $ended = $at > 0 ? $line->pieces[$from - 1]->until() : $line->pieces[$from]->from;
        $stroke = str_contains(substr($line->text, $ended, $line->pieces[$from]->from - $ended), '/');
        for ($next = $at + 1; isset($who[$next]) && [] === $who[$next]; ++$next) {
        }
        foreach ([$next, ...$stroke ? [] : [$at - 1]] as $beside) {
            if ([] === ($who[$beside] ?? []) || \in_array(true, $who[$beside], true)) {
                continue;
            }
            [$begins, $ends] = $segments[$beside];
            foreach ($this->naming->named($line->part($begins, $ends)) as $candidate) {
                $family = array_map(
                    static fn(int $place): Piece => $line->pieces[$begins + $place],
                    $candidate->family,
                );
                if ([] !== $family && $this->naming->stands($candidate)) {
                    return $family;
                }
            }
        }

        return [];
    }

    /**
     * Whether a part looks like somebody whom the directory does not have.
     *
     * @param array{int, int} $segment
     */
    private function isAStranger(PastedLine $line, array $segment, Gap $gap): bool
    {
        [$from, $until] = $segment;
        $own = \array_slice($line->pieces, $from, $until - $from);
        $part = $line->part($from, $until);
        $names = array_filter($own, static fn(Piece $each): bool => PieceKind::Word === $each->kind);
        $known = array_filter($names, $this->naming->mayBeNames(...));
        $address = [] !== array_filter($own, static fn(Piece $each): bool => PieceKind::Address === $each->kind);
        if (\count($names) < 2 || \count($names) > self::STRANGER || [] !== $part->hints) {
            return false;
        }
        foreach ($names as $piece) {
            // "al-Hamawi", "van" Dam
            $capital = 1 === preg_match('/[\p{Lu}\p{Lo}]/u', $piece->text);
            foreach ($piece->words as $word) {
                $part = NameKeys::isParticle($word) && !$capital;
                if (!$part && (!$capital || Vocabulary::has(Vocabulary::HEADING, $word) || Cues::isOne($word))) {
                    return false;
                }
            }
        }

        return [] !== $known || $address || Gap::Cell === $gap;
    }

    /**
     * Two identifiers of one kind are two people, each with the words beside it: those before it where the part begins
     * with words, and otherwise those after it.
     *
     * @return non-empty-list<array{int, int}>
     */
    private function identified(PastedLine $line, int $from, int $until): array
    {
        $own = \array_slice($line->pieces, $from, $until - $from);
        $kinds = $whose = [];
        $n = 0;
        foreach ($own as $at => $piece) {
            $first = 0 === $at || $own[$at - 1]->identifier !== $piece->identifier;
            $known = '' === $piece->identifier ? [] : $this->naming->index->byIdentifier($piece->identifier);
            // What may be a login and is nobody's is a word.
            $kinds[$at] = match (true) {
                '' === $piece->identifier, PieceKind::Login === $piece->kind && [] === $known => '',
                !$first => '+',
                PieceKind::Address === $piece->kind => 'address',
                PieceKind::Number === $piece->kind => 'number',
                default => 'login',
            };
            if (!\in_array($kinds[$at], ['', '+'], true)) {
                ++$n;
                $whose[] = $known;
            }
        }
        $times = array_count_values(array_diff($kinds, ['', '+']));
        $words = \in_array('', $kinds, true);
        $all = array_unique(array_merge([], ...$whose));
        $some = \count(array_filter($whose));
        $once = [] === $times || max($times) < 2;
        $samePerson = 1 === \count($all) && $some === $n;
        if ($n < 2 || $samePerson || ($once && ($words || \count($all) < 2))) {
            return [[$from, $until]];
        }
        $wordsFirst = '' === $kinds[0];
        $cuts = [$from];
        $seen = [];
        $last = '';
        foreach ($kinds as $at => $kind) {
            if ('+' === $kind) {
                continue;
            }
            $begins = $wordsFirst ? '' === $kind && '' !== $last : '' !== $kind && '' === $last && [] !== $seen;
            $other = '' !== $kind && [] !== $seen && !$words;
            // What is a second one of its kind belongs to somebody else, also where no word stands between.
            if ($begins || $other || ('' !== $kind && isset($seen[$kind]))) {
                $cuts[] = $from + $at;
                $seen = [];
            }
            if ('' !== $kind) {
                $seen[$kind] = true;
            }
            $last = $kind;
        }

        return self::between($cuts, $until);
    }

    /**
     * @param non-empty-list<int> $cuts
     *
     * @return non-empty-list<array{int, int}>
     */
    private static function between(array $cuts, int $until): array
    {
        $ranges = [];
        foreach ($cuts as $n => $from) {
            $ranges[] = [$from, $cuts[$n + 1] ?? $until];
        }

        return $ranges;
    }
}
