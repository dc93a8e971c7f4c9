<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\LevelNames;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Text\TooMuch;

/**
 * Takes pasted text apart into lines, and lines into pieces: bullets and ticks, numbers and addresses, what may be a
 * login, what says a level or a division, and words. Whom they mean, and how many people a line is about, is for
 * `Matcher` to say: it knows who there is.
 */
final readonly class PastedText
{
    /** Longer lines are no people; they are cut when shown. */
    private const LONGEST = 200;

    /** Bytes that follow another in UTF-8, as letters of the encodings they are taken for. */
    private const SECOND = '[\x{80}-\x{BF}\x{152}-\x{17E}\x{192}\x{2C6}\x{2DC}\x{2013}-\x{2122}\x{20AC}]';

    /** Bytes of a line: a list of addresses as a message has it, but no book. */
    private const LONGEST_LINE = 16_000;

    /** So many lines that begin with a small number are counted by it, unless more numbers are left out. */
    private const COUNTED = 5;

    private const LEFT_OUT = 1.3;

    private Cutting $cutting;

    private Hints $hints;

    /**
     * @param list<NumberFormat>    $formats
     * @param array<string, string> $divisions names by code
     * @param LevelNames            $levels    what divisions call theirs
     * @param array<string, string> $sections  names of the site's, by id
     */
    public function __construct(
        array $formats,
        array $divisions = [],
        LevelNames $levels = new LevelNames(new DivisionTree([])),
        array $sections = [],
    ) {
        $this->cutting = new Cutting($formats);
        $this->hints = new Hints($divisions, $levels, $sections);
    }

    /**
     * @param int $most lines that are not empty
     *
     * @return list<PastedLine> without the empty ones
     *
     * @throws TooMuch
     */
    public function lines(string $text, int $most = \PHP_INT_MAX, Hand $hand = new Hand()): array
    {
        $lines = [];
        $columns = [];
        $all = array_filter(
            array_map(
                trim(...),
                preg_split('/\r\n|\r|\n|\x{2028}|\x{2029}|\x{0085}/u', self::clean($text)) ?: [],
            ),
            static fn(string $shown): bool => '' !== $shown,
        );
        $counted = self::areCounted($all);
        foreach ($all as $index => $shown) {
            if (\strlen($shown) > self::LONGEST_LINE) {
                throw new TooMuch('too-long', $index + 1);
            }
            $headings = self::headings($shown);
            $columns = $headings ?? $columns;
            $own = $hand->lines[$shown] ?? null;
            $line = $this->line($index + 1, $shown, $hand->columns + $columns, null === $headings, $own, $counted);
            array_push($lines, ...null === $own ? [$line] : self::byHand($line, $own));
            if (\count($lines) > $most) {
                throw new TooMuch('too-many', $index + 1);
            }
        }

        return $lines;
    }

    /**
     * Whether the first cells of a list count its lines: small numbers, each once, with few left out.
     *
     * @param array<int, string> $lines
     */
    private static function areCounted(array $lines): bool
    {
        $numbers = [];
        $count = 0;
        foreach ($lines as $line) {
            if (1 === preg_match('/^(\d{1,3})\s*[\t;|,]/', $line, $found)) {
                $numbers[(int) $found[1]] = true;
                ++$count;
            }
        }
        $all = array_keys($numbers);

        return $count >= self::COUNTED && \count($all) === $count && max($all) - min($all) < self::LEFT_OUT * $count;
    }

    /** @return list<PastedLine> a line, in the parts that somebody said by hand */
    private static function byHand(PastedLine $line, HandLine $hand): array
    {
        $cuts = array_values(
            array_filter($hand->cuts, static fn(int $at): bool => $at > 0 && $at < \count($line->pieces)),
        );
        sort($cuts);
        $parts = [];
        foreach ([0, ...$cuts] as $n => $from) {
            $part = [] === $cuts ? $line : $line->part($from, $cuts[$n] ?? \count($line->pieces));
            $parts[] = $part->byHand($hand->one || [] !== $cuts, $hand->meant);
        }

        return $parts;
    }

    /** @param array<int, Column> $columns by cell */
    private function line(
        int $number,
        string $shown,
        array $columns,
        bool $person,
        ?HandLine $hand,
        bool $counted,
    ): PastedLine {
        $pieces = $this->cutting->pieces($shown);
        $cells = [] === $pieces ? 0 : max(array_map(static fn(Piece $each): int => $each->cell, $pieces));
        // A line with more cells, or a single one, is not of the table.
        $columns = $cells > 0 && $cells <= max([0, ...array_keys($columns)]) ? $columns : [];
        $pieces = self::inColumns($pieces, $columns);
        if ($counted && !isset($columns[0]) && isset($pieces[1]) && $pieces[1]->cell > 0) {
            $pieces[0] = self::inColumn($pieces[0], Column::Place);
        }
        foreach ($hand->words ?? [] as $at => $column) {
            if (isset($pieces[$at])) {
                $pieces[$at] = self::inColumn($pieces[$at], $column);
            }
        }
        $words = $pieces[0]->words ?? [];
        $colon = isset($pieces[1]) ? Gap::Colon === $pieces[1]->gap || self::isBeforeAColon($shown, $pieces[0]) : false;

        return new PastedLine(
            $number,
            mb_strlen($shown) > self::LONGEST && \count($pieces) < 2 ? mb_substr($shown, 0, self::LONGEST) : $shown,
            $pieces,
            $this->hints->of($pieces, $columns),
            $person && !($colon && Vocabulary::has(Vocabulary::MAIL, $words[0] ?? '')),
        );
    }

    private static function isBeforeAColon(string $shown, Piece $piece): bool
    {
        return str_starts_with(ltrim(substr($shown, $piece->until())), ':');
    }

    /**
     * What stands in a column of remarks is no name, and small numbers in one of places say nothing.
     *
     * @param list<Piece>        $pieces
     * @param array<int, Column> $columns
     *
     * @return list<Piece>
     */
    private static function inColumns(array $pieces, array $columns): array
    {
        return array_map(
            static fn(Piece $piece): Piece => self::inColumn($piece, $columns[$piece->cell] ?? null),
            $pieces,
        );
    }

    private static function inColumn(Piece $piece, ?Column $column): Piece
    {
        return match ($column) {
            Column::Remark => $piece->as(PieceKind::Remark),
            Column::Place => PieceKind::Small === $piece->kind ? $piece->as(PieceKind::Ignored) : $piece,
            Column::Given, Column::Family => [] === $piece->words ? $piece : $piece->named(Column::Family === $column),
            default => $piece,
        };
    }

    /**
     * What the columns below a heading hold; null where the line is none.
     *
     * @return ?array<int, Column>
     */
    private static function headings(string $shown): ?array
    {
        foreach (["\t", ';', '|', ','] as $between) {
            $cells = array_map(trim(...), explode($between, trim($shown, $between.' ')));
            if (\count($cells) < 2) {
                continue;
            }
            $columns = [];
            foreach ($cells as $at => $cell) {
                $folded = implode(' ', Folding::tokens($cell));
                $column = '#' === $cell || 'nº' === $cell ? Column::Place : Vocabulary::column($folded);
                if (null !== $column) {
                    // People mix up the two names: what a heading says of them holds nobody to it.
                    $columns[$at] = \in_array($column, [Column::Given, Column::Family], true) ? Column::Name : $column;
                }
            }

            return \count($columns) >= 2 && \count($columns) >= \count($cells) - 1 ? $columns : null;
        }

        return null;
    }

    /** Without what nobody sees. */
    public static function clean(string $text): string
    {
        $text = (string) preg_replace(
            '/[\x{200B}-\x{200F}\x{202A}-\x{202E}\x{2060}-\x{2069}\x{FEFF}\x{00AD}]|(?![\r\n\t\x{0085}])\p{Cc}/u',
            '',
            self::mended(mb_scrub($text)),
        );

        $text = (string) preg_replace('/[^\S\r\n\t\x{2028}\x{2029}\x{0085}]|\x{00A0}/u', ' ', $text);

        // Long runs of blanks and tabs say no more than short ones.
        return (string) preg_replace(['/ {9,}/', '/\t{65,}/'], ['        ', str_repeat("\t", 64)], $text);
    }

    /** Line by line, letters that were taken for those of another encoding are put right. */
    private static function mended(string $text): string
    {
        if (1 !== preg_match(
            '/[\x{C2}-\x{DF}\x{E0}-\x{EF}]'.self::SECOND.'/u',
            $text
        )) {
            return $text;
        }
        $lines = preg_split('/(?<=\n)/', $text) ?: [];

        return implode('', array_map(static function (string $line): string {
            foreach (['Windows-1252', 'ISO-8859-1'] as $taken) {
                $bytes = mb_convert_encoding($line, $taken, 'UTF-8');
                if (mb_check_encoding($bytes, 'UTF-8') && mb_convert_encoding($bytes, 'UTF-8', $taken) === $line
                    && \strlen($bytes) < \strlen($line)) {
                    return $bytes;
                }
            }

            return $line;
        }, $lines));
    }
}
