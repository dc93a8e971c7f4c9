<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\Text\NameKeys;

/** Whom the words and the identifiers of a line, or of a part of it, name. */
final class Naming
{
    /** @var array<string, array<int, Candidate>> by the words of a part */
    private array $named = [];

    private readonly NameFit $fit;

    public function __construct(private readonly Wording $wording, public readonly KnownPeople $index)
    {
        $this->fit = new NameFit($wording);
    }

    /** @return array<int, Candidate> by index, of those whose number, login or address stands there in full */
    public function identified(PastedLine $line): array
    {
        $identified = [];
        foreach ($line->identifiers as $identifier) {
            foreach ($this->index->byIdentifier($identifier) as $at) {
                $identified[$at] = new Candidate($this->index->people[$at], Evidence::Identifier);
            }
        }

        return $identified;
    }

    /** @return array<int, Candidate> by index */
    public function named(PastedLine $line): array
    {
        $key = $line->number.' '.$line->text.' '.implode(',', $line->words);
        if (isset($this->named[$key])) {
            return $this->named[$key];
        }
        if (\count($line->words) > Wording::MOST_WORDS) {
            $line = $line->shortened(Wording::MOST_WORDS);
        }
        if (\count($this->named) > 200) {
            $this->named = [];
        }
        $found = $this->read($line, false);

        // "DA Berg": where nobody is called Da, they are letters.
        return $this->named[$key] = [] === $found ? $this->read($line, true) : $found;
    }

    /**
     * @param bool $letters whether two or three capitals are the first letters of names, also where they are a name
     *
     * @return array<int, Candidate> by index
     */
    private function read(PastedLine $line, bool $letters): array
    {
        $initials = self::initials($line);
        if ($letters && [] === $initials) {
            return [];
        }
        if (!$letters) {
            $initials = array_filter($initials, fn(int $n): bool => !$this->wording->knows($line->words[$n]));
        }
        [$words, $places, $spellings, $sides] = self::words($line, $initials);
        $candidates = [];
        foreach ($this->wording->keys($line) as $pair) {
            foreach ($this->index->byKey($pair) as $at) {
                if (!\array_key_exists($at, $candidates)) {
                    $fit = $this->fit->of($words, $this->index->people[$at], $spellings, $sides);
                    $candidates[$at] = null === $fit ? null : $this->candidate($line, $at, $fit, $words, $places);
                }
            }
        }

        return array_filter($candidates, static fn(?Candidate $each): bool => null !== $each);
    }

    /** @return list<int> words of two or three capitals, in a line of small letters */
    private static function initials(PastedLine $line): array
    {
        $some = array_filter(
            array_keys($line->words),
            static fn(int $n): bool => 1 === preg_match('/^\p{Lu}{2,3}$/Du', $line->pieces[$line->places[$n]]->text),
        );
        $small = [] !== $some && [] !== array_filter(
            $line->pieces,
            static fn(Piece $each): bool => 1 === preg_match('/\p{Ll}/u', $each->text),
        );

        return $small ? array_values($some) : [];
    }

    /** Whether one is named beyond doubt by a line, taken by itself. */
    public function stands(Candidate $candidate): bool
    {
        return $candidate->clear || $candidate->tier() > 1;
    }

    /**
     * @param array<int> $initials words that are the first letters of several
     *
     * @return array{list<string>, list<int>, array<string, list<string>>, array<int, bool>} words, the piece each is
     *     of, other spellings, and which are said to be family names or given ones
     */
    private static function words(PastedLine $line, array $initials): array
    {
        $words = $places = $spellings = $sides = [];
        foreach ($line->words as $n => $word) {
            $at = $line->places[$n];
            $piece = $line->pieces[$at];
            foreach (\in_array($n, $initials, true) ? str_split($word) : [$word] as $each) {
                null === $piece->family || ($sides[\count($words)] = $piece->family);
                $words[] = $each;
                $places[] = $at;
            }
            if ([] !== $piece->spellings) {
                $spellings[$word] = $piece->spellings;
            }
        }

        return [$words, $places, $spellings, $sides];
    }

    /**
     * @param list<string> $words
     * @param list<int>    $places
     */
    private function candidate(PastedLine $line, int $at, Fit $fit, array $words, array $places): Candidate
    {
        $used = self::pieces($fit->used, $places);
        $last = max([-1, ...$used]);
        $hinted = array_fill_keys(array_merge([], ...array_column($line->hints, 'pieces')), true);
        $capital = [] !== array_filter($used, static fn(int $piece): bool => $line->pieces[$piece]->capital());
        $extra = !$fit->ordered;
        $another = false;
        $unread = [] !== $this->index->people[$at]->lacks($line, PieceKind::Number) || [] !== array_filter(
            $line->pieces,
            static fn(Piece $piece, int $place): bool => !isset($hinted[$place])
                && \in_array($piece->kind, [PieceKind::Small, PieceKind::Remark], true),
            \ARRAY_FILTER_USE_BOTH,
        );
        foreach ($fit->left as $word) {
            $place = $places[$word];
            if (isset($hinted[$place]) || Vocabulary::has(Vocabulary::TITLES, $words[$word])) {
                continue;
            }
            $unread = true;
            $piece = $line->pieces[$place];
            $among = $this->isAmong($line, $place, $used);
            $letter = 1 === \strlen($words[$word]);
            // Somebody whose whole family name it is.
            $another = $another || ($among && NameKeys::isParticle($words[$word]));
            $extra = $extra || ($among && match (true) {
                // A letter behind a name is a mark; within, or with a stop, it is an initial.
                $letter => $place < $last || str_contains($piece->text, '.'),
                default => $piece->capital() === $capital && $this->wording->isName($words[$word]),
            });
        }

        return new Candidate(
            $this->index->people[$at],
            $extra ? ($fit->weak ? $fit->evidence : Evidence::PartOfTheName) : $fit->evidence,
            $fit->clear && !$another && !($extra && $fit->weak),
            unread: $unread,
            weak: $fit->weak || $extra,
            used: $used,
            family: self::pieces($fit->family, $places),
            extra: $extra,
            crossing: $this->crossing($line, $used),
            pairs: $fit->pairs,
            words: \count($fit->used),
            loose: $fit->mixed || $this->isNameItself($fit, $words, $at),
        );
    }

    /**
     * Whether somebody is found by a short name that others have for their own.
     *
     * @param list<string> $words
     */
    private function isNameItself(Fit $fit, array $words, int $at): bool
    {
        $own = $this->index->people[$at]->names();
        $short = array_filter(
            array_diff($fit->used, $fit->family),
            fn(int $place): bool => $this->wording->knows($words[$place]) && !\in_array($words[$place], $own, true),
        );

        return Evidence::Nickname === $fit->evidence && [] !== $short;
    }

    /**
     * @param list<int> $words
     * @param list<int> $places
     *
     * @return list<int> the pieces they are of, in order
     */
    private static function pieces(array $words, array $places): array
    {
        $pieces = array_values(array_unique(array_map(static fn(int $word): int => $places[$word], $words)));
        sort($pieces);

        return $pieces;
    }

    /**
     * Whether a piece stands among those of a name, with nothing but blanks and other words between.
     *
     * @param list<int> $used
     */
    private function isAmong(PastedLine $line, int $place, array $used): bool
    {
        foreach ($used as $each) {
            if ($line->together($place, $each)) {
                return true;
            }
        }

        return false;
    }

    /**
     * Signs between the words of a name that are no comma.
     *
     * @param list<int> $used
     */
    private function crossing(PastedLine $line, array $used): int
    {
        $crossing = 0;
        for ($at = ($used[0] ?? 0) + 1; $at <= ($used[array_key_last($used)] ?? 0); ++$at) {
            $crossing += match ($line->pieces[$at]->gap) {
                Gap::Bracket, Gap::Dash, Gap::Join => 3,
                Gap::Comma, Gap::Cell, Gap::Colon => 1,
                default => 0,
            };
        }

        return $crossing;
    }

    /** Words of a piece that somebody in the directory is called, or that are short for it. */
    public function mayBeNames(Piece $piece): bool
    {
        foreach ($piece->words as $word) {
            if (!$this->wording->isName($word) && !NameKeys::isParticle($word)) {
                return false;
            }
        }

        return [] !== $piece->words;
    }
}
