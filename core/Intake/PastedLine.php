<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\Text\Folding;
use MintDoor\Core\Text\NameKeys;

/** One line of what somebody pasted, or the part of it that is about one person, taken apart. */
final readonly class PastedLine
{
    /** Bytes. */
    private const GIST = 120;

    /** @var list<string> numbers, addresses, and words that may be logins, as they are compared */
    public array $identifiers;

    /** @var list<string> folded words that may be a name, in order, each once; twice what is a particle, too */
    public array $words;

    /** @var list<int> the piece each word stands in */
    public array $places;

    public int $own;

    /**
     * @param int         $number  of the line in the text, from 1; several may have come from one
     * @param string      $text    as it was pasted, trimmed
     * @param list<Piece> $pieces  in order
     * @param list<Hint>  $hints   what pieces say of level, division, kind and section
     * @param bool        $person  whether somebody may be meant; headings of columns and what stands above a forwarded
     *     message are nobody
     * @param bool        $whole   whether somebody said by hand that it is about one person
     * @param bool        $meant   whether somebody said by hand that a person is meant
     * @param int         $first   its first piece, among those of the whole line
     * @param ?int        $own     how many of its pieces are its own; others stand elsewhere on the whole line
     */
    public function __construct(
        public int $number,
        public string $text,
        public array $pieces = [],
        public array $hints = [],
        public bool $person = true,
        public bool $whole = false,
        public bool $meant = false,
        public int $first = 0,
        ?int $own = null,
    ) {
        $this->own = $own ?? \count($pieces);
        $identifiers = $words = $places = $seen = [];
        $told = [];
        foreach ($hints as $hint) {
            // A cell that says a section or a division, a level by its name, is no name.
            $told += $hint->sure && self::isACell($pieces, $hint->pieces) ? array_fill_keys($hint->pieces, true) : [];
        }
        foreach ($pieces as $at => $piece) {
            if ('' !== $piece->identifier) {
                $identifiers[$piece->identifier] = true;
            }
            foreach (isset($told[$at]) ? [] : $piece->words as $word) {
                if (!isset($seen[$word]) || NameKeys::mayBeANameOfItsOwn($word)) {
                    $seen[$word] = true;
                    $words[] = $word;
                    $places[] = $at;
                }
            }
        }
        $this->identifiers = array_map(strval(...), array_keys($identifiers));
        $this->words = $words;
        $this->places = $places;
    }

    /**
     * Somebody of whom it is known what each word is.
     *
     * @param list<string> $identifiers as they are compared
     * @param string       $division    code; empty where nothing is said of it
     */
    public static function ofRow(
        int $number,
        string $text,
        array $identifiers,
        string $given,
        string $family,
        string $division,
    ): self {
        $pieces = [];
        foreach ([...Folding::tokens($given), ...Folding::tokens($family)] as $word) {
            $pieces[] = new Piece($word, 0, Gap::Blank, false, 0, PieceKind::Word, [$word]);
        }
        foreach ($identifiers as $identifier) {
            $kind = str_contains($identifier, '@') ? PieceKind::Address : PieceKind::Number;
            $pieces[] = new Piece($identifier, 0, Gap::Blank, false, 0, $kind, [], $identifier);
        }
        $hints = [];
        if ('' !== $division) {
            $pieces[] = new Piece($division, 0, Gap::Cell, false, 1, PieceKind::Remark);
            $hints[] = new Hint([\count($pieces) - 1], divisions: [$division]);
        }

        return new self($number, $text, $pieces, $hints, whole: true, meant: true);
    }

    /** The same line, at another place. */
    public function numbered(int $number): self
    {
        return $this->with(number: $number);
    }

    /** @return list<string> ids of the site's sections that it says */
    public function sections(): array
    {
        return array_values(array_unique(array_merge([], ...array_column($this->hints, 'sections'))));
    }

    /**
     * The part of it that some pieces make up.
     *
     * @param int         $from     the first piece
     * @param int         $until    the one behind the last
     * @param list<Piece> $borrowed words of a family name that stands elsewhere on the line
     */
    public function part(int $from, int $until, array $borrowed = []): self
    {
        $own = \array_slice($this->pieces, $from, $until - $from);
        if ([] === $own) {
            return $this;
        }
        $begins = $own[0]->from;
        $ends = $own[array_key_last($own)]->until();
        // With what closes brackets and quotation marks.
        preg_match('/\G[)\]}>"”“»\'.]*/u', $this->text, $closing, 0, $ends);
        $text = substr($this->text, $begins, $ends - $begins).($closing[0] ?? '');
        $pieces = [];
        foreach ($own as $at => $piece) {
            $pieces[] = $piece->at($piece->from - $begins, 0 === $at ? Gap::None : $piece->gap);
        }
        foreach ($borrowed as $piece) {
            $text .= ' ';
            $pieces[] = $piece->at(\strlen($text), Gap::Blank);
            $text .= $piece->text;
        }
        $hints = [];
        foreach ($this->hints as $hint) {
            if (min($hint->pieces) >= $from && max($hint->pieces) < $until) {
                $hints[] = $hint->moved($from);
            }
        }

        return new self(
            $this->number,
            $text,
            $pieces,
            $hints,
            $this->person,
            $this->whole,
            $this->meant,
            $this->first + $from,
            \count($own),
        );
    }

    /** The same line, of which only so many words may be a name. */
    public function shortened(int $words): self
    {
        return $this->aside($this->places[$words] ?? \count($this->pieces), \count($this->pieces));
    }

    /** The same line, where some pieces are only a remark. */
    public function aside(int $from, int $until): self
    {
        $pieces = $this->pieces;
        for ($at = $from; $at < $until; ++$at) {
            $pieces[$at] = $pieces[$at]->as(PieceKind::Remark);
        }
        $hints = array_values(
            array_filter(
                $this->hints,
                static fn(Hint $hint): bool => max($hint->pieces) < $from || min($hint->pieces) >= $until,
            ),
        );

        return $this->with(pieces: array_values($pieces), hints: $hints);
    }

    /** The same, as somebody said by hand. */
    public function byHand(bool $whole, bool $meant): self
    {
        return $this->with(whole: $whole, meant: $meant);
    }

    /**
     * @param ?list<Piece> $pieces
     * @param ?list<Hint>  $hints
     */
    private function with(
        ?int $number = null,
        ?array $pieces = null,
        ?array $hints = null,
        ?bool $whole = null,
        ?bool $meant = null,
    ): self {
        return new self(
            $number ?? $this->number,
            $this->text,
            $pieces ?? $this->pieces,
            $hints ?? $this->hints,
            $this->person || true === $meant,
            $whole ?? $this->whole,
            $meant ?? $this->meant,
            $this->first,
            $this->own,
        );
    }

    /** Whether it is the same piece, or one behind another, without anything but blanks between them. */
    public function together(int $one, int $other): bool
    {
        for ($at = min($one, $other) + 1; $at <= max($one, $other); ++$at) {
            $gap = $this->pieces[$at]->gap;
            if ($gap->parts() && !($this->whole && Gap::Join === $gap)) {
                return false;
            }
        }

        return true;
    }

    /** What is remembered of a line: the same words and identifiers, however they were written. */
    public function gist(): string
    {
        return mb_strcut(implode(' ', [...$this->identifiers, ...$this->words]), 0, self::GIST, 'UTF-8');
    }

    /**
     * What is remembered that may be of some line, or of a part of one that is about several people.
     *
     * @param list<self>   $lines
     * @param list<string> $gists
     *
     * @return list<string> of those gists
     */
    public static function mayBeOf(array $lines, array $gists): array
    {
        $said = [];
        foreach ($lines as $line) {
            $said += array_fill_keys([...$line->identifiers, ...$line->words], true);
        }
        $may = [];
        foreach ($gists as $gist) {
            $parts = explode(' ', $gist);
            // The end of a long one may be cut off.
            \strlen($gist) > self::GIST - 4 && array_pop($parts);
            if ([] === array_diff_key(array_flip($parts), $said)) {
                $may[] = $gist;
            }
        }

        return $may;
    }

    /**
     * @param list<Piece>         $pieces
     * @param non-empty-list<int> $some
     */
    private static function isACell(array $pieces, array $some): bool
    {
        [$first, $next] = [min($some), max($some) + 1];

        return $first > 0
            && \in_array($pieces[$first]->gap, [Gap::Cell, Gap::Comma], true)
            && (!isset($pieces[$next]) || \in_array($pieces[$next]->gap, [Gap::Cell, Gap::Comma], true));
    }
}
