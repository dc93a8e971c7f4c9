<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\People\NumberReading;
use MintDoor\Core\Text\Folding;

/** Cuts a line into pieces, and says of each what it looks like. */
final readonly class Cutting
{
    /** Bullets, numbering and ticks in front of what a line says. */
    private const FRONT = '/^(?:
        \(?\d{1,3}(?:[.)]\)?|\s*[.:)])(?=\s*[^\d\s.:])\s*
        | \d{1,3}\s*[-–—]\s+
        | [a-z][.)]\s+(?=\p{Lu}\S*\s+\p{Lu})
        | [\-–—*•·▪◦‣■□»→>+✓✔✗√☐☑☒]+\s*(?=[^\d])
        | [xX]\s+ | [vV]\s+(?=\p{Lu}\S*\s+\p{Lu})
        | \[[\sxX✓✔]?\]\s* | \([xX✓✔\s]\)\s*
        | \#\d{1,3}\s+(?=\p{L})
    )+/xu';

    /** Ticks and crosses behind it. */
    private const BACK = '/(?:\s+[xXv✓✔√☑☒✗]|\s*[✓✔√☑]|\s*\([xX✓✔]\)|\s*\[[xX✓✔]?\])\s*$/u';

    private const PIECE = '/\b(?:as\s+well\s+as|together\s+with|ainsi\s+que|as[ií]\s+como|assim\s+como)\b
        | [^\s,;|<>()\[\]{}"“”„«»&\/]+@[^\s,;|<>()\[\]{}"“”„«»&\/]+
        | (?<!\d)\+?\d[\d.\/:\'-]*\d%?(?![\p{L}@_])
        | [^\s,;|<>()\[\]{}"“”„«»‚‘&\/=→+]+
        | [&→+]/xu';

    private const AROUND = '\'`’*~_\-!?:';

    /** @param list<NumberFormat> $formats */
    public function __construct(private array $formats) {}

    /** @return list<Piece> in order */
    public function pieces(string $line): array
    {
        $from = 1 === preg_match(self::FRONT, $line, $found) ? \strlen($found[0]) : 0;
        $until = 1 === preg_match(self::BACK, $line, $found, 0, $from)
            ? \strlen($line) - \strlen($found[0])
            : \strlen($line);
        if ('' === trim(substr($line, $from, $until - $from))) {
            [$from, $until] = [0, \strlen($line)];
        }
        preg_match_all(self::PIECE, substr($line, $from, $until - $from), $found, \PREG_OFFSET_CAPTURE);
        $pieces = [];
        if ($from > 0) {
            $pieces = self::aside($line, 0, $from);
        }
        $at = $from;
        $depth = $cell = 0;
        $before = '';
        foreach ($found[0] as [$text, $offset]) {
            $begins = $from + $offset;
            $between = $before.substr($line, $at, $begins - $at);
            $at = $begins + \strlen($text);
            // What is made of signs only parts what stands around it; "and" joins.
            $joins = [] !== $pieces && (1 === preg_match('/\s/', $text)
                || (mb_strlen($text) < 6 && Vocabulary::has(Vocabulary::JOINING, $text)));
            if ($joins || 1 !== preg_match('/[\p{L}\p{N}]/u', $text)) {
                $before = $between.($joins ? '&' : $text);
                continue;
            }
            $before = '';
            $depth = max(
                0,
                $depth + preg_match_all('/[(\[{]/', $between) - preg_match_all('/[)\]}]/', $between),
            );
            $gap = [] === $pieces || PieceKind::Ignored === $pieces[array_key_last($pieces)]->kind && $begins === $from
                ? Gap::None
                : self::gap($between);
            $cell += \in_array($gap, [Gap::Cell, Gap::Comma], true)
                ? max(1, preg_match_all(Gap::Cell === $gap ? '/[;\t|]/' : '/,/', $between))
                : 0;
            array_push($pieces, ...$this->whole($text, $begins, $gap, $depth > 0, $cell));
            $before = str_ends_with($text, ':') ? ':' : '';
        }
        if ($until < \strlen($line)) {
            $pieces = [...$pieces, ...self::aside($line, $until, \strlen($line))];
        }

        return $this->numbers(array_values($pieces));
    }

    /** @return list<Piece> bullets and ticks */
    private static function aside(string $line, int $from, int $until): array
    {
        $text = substr($line, $from, $until - $from);
        $bare = trim($text);

        return '' === $bare ? [] : [
            new Piece($bare, $from + (int) strpos($text, $bare), Gap::Blank, false, 0, PieceKind::Ignored),
        ];
    }

    private static function gap(string $between): Gap
    {
        return match (true) {
            1 === preg_match('/[;\t|]/', $between) => Gap::Cell,
            1 === preg_match('/[&+\/·•]/u', $between) => Gap::Join,
            str_contains($between, ',') => Gap::Comma,
            1 === preg_match('/[(\[{)\]}<>"“”„«»*~]/u', $between) => Gap::Bracket,
            1 === preg_match('/\s[-–—]+\s|[–—]|--|\.\.|→|=|\s-|-\s|(?<=\s):/u', $between) => Gap::Dash,
            '' === $between => Gap::Dash,
            str_starts_with($between, ':') => Gap::Colon,
            default => Gap::Blank,
        };
    }

    /** @return list<Piece> a text, without the stops and quotation marks around it */
    private function whole(string $text, int $from, Gap $gap, bool $inside, int $cell): array
    {
        // Most of what people paste is plain words.
        if (1 === preg_match('/^\p{L}+$/Du', $text)) {
            return [self::word($text, $text, $from, $gap, $inside, $cell)];
        }
        $core = (string) preg_replace('/^['.self::AROUND.'.#]+|['.self::AROUND.']+$/u', '', $text);
        $from += (int) strpos($text, $core);
        // A stop behind an initial or a short form belongs to it.
        $bare = rtrim($core, '.');
        if ('' === $bare) {
            return [];
        }
        if (str_contains($bare, '@')) {
            $address = preg_replace('/^mailto:/i', '', $bare) ?? $bare;

            return [
                new Piece($bare, $from, $gap, $inside, $cell, PieceKind::Address, [], Folding::identifier($address)),
            ];
        }
        if (
            1 === preg_match('/^(\p{L}+)([#:.º°])(\d{4,})$/u', $bare, $found)
            && ('.' !== $found[2] || Vocabulary::has(Vocabulary::NUMBERS, strtolower($found[1])))
        ) {
            $second = $from + \strlen($bare) - \strlen($found[3]);

            return [
                new Piece($found[1], $from, $gap, $inside, $cell, PieceKind::Word, Folding::tokens($found[1])),
                new Piece($found[3], $second, Gap::Blank, $inside, $cell, PieceKind::Number, [], $found[3]),
            ];
        }
        $several = $this->several($bare, $from, $gap, $inside, $cell);
        if ([] !== $several) {
            return $several;
        }
        if (1 === preg_match('/^[#№]?\d[\d.\/:\'-]*%?$/u', $bare) || 1 === preg_match('/^\+\d/', $bare)) {
            return [self::figure(ltrim($bare, '#№'), $bare, $from, $gap, $inside, $cell)];
        }
        $number = strtolower(NumberFormat::bare($bare));
        foreach ($this->formats as $format) {
            if ('' !== $format->prefix && \in_array(
                $format->read($bare),
                [NumberReading::Fits, NumberReading::WrongCheckDigit, NumberReading::WrongLength],
                true,
            ) && \strlen($number) > 4) {
                return [new Piece($bare, $from, $gap, $inside, $cell, PieceKind::Number, [], $number)];
            }
        }
        $initials = 1 === preg_match('/^(?:\p{L}\.)+\p{L}$|^\p{Lu}\.\p{L}{2,}$/Du', $bare);
        $login = 1 === preg_match('/^[a-z][a-z0-9]*(?:[._-][a-z0-9]+)*$/Di', $bare);
        if ($login && !$initials && 1 === preg_match('/[._\d]/', $bare)) {
            return [new Piece($bare, $from, $gap, $inside, $cell, PieceKind::Login, [], strtolower($bare))];
        }

        return [self::word($core, $bare, $from, $gap, $inside, $cell)];
    }

    /**
     * Numbers of the platform with a stroke between them, each of somebody else.
     *
     * @return list<Piece> none where it is anything else
     */
    private function several(string $text, int $from, Gap $gap, bool $inside, int $cell): array
    {
        if (1 !== preg_match('/^\d{4,}(?:[\/-]\d{4,})+$/D', $text) || $this->isOne($text)) {
            return [];
        }
        $pieces = [];
        foreach (preg_split('/[\/-]/', $text, -1, \PREG_SPLIT_OFFSET_CAPTURE) ?: [] as [$number, $at]) {
            if (!$this->isOne($number)) {
                return [];
            }
            $before = [] === $pieces ? $gap : Gap::Join;
            $pieces[] = new Piece($number, $from + $at, $before, $inside, $cell, PieceKind::Number, [], $number);
        }

        return $pieces;
    }

    /** Whether digits are one number of the platform, or nearly. */
    private function isOne(string $digits): bool
    {
        foreach ($this->formats as $format) {
            if (\in_array($format->read($digits), [NumberReading::Fits, NumberReading::WrongCheckDigit], true)) {
                return true;
            }
        }

        return false;
    }

    private static function word(
        string $core,
        string $bare,
        int $from,
        Gap $gap,
        bool $inside,
        int $cell,
    ): Piece {
        $words = self::words($bare);

        return new Piece(
            $core,
            $from,
            $gap,
            $inside,
            $cell,
            [] === $words ? PieceKind::Ignored : PieceKind::Word,
            $words,
            '',
            1 === \count($words) ? self::spellings($bare, $words[0]) : [],
        );
    }

    private static function figure(
        string $digits,
        string $text,
        int $from,
        Gap $gap,
        bool $inside,
        int $cell,
    ): Piece {
        $bare = (string) preg_replace('/[\s.\-]/', '', $digits);
        $kind = match (true) {
            1 !== preg_match('/^\d+$/D', $bare),
            // A date, a time, a mark out of so many.
            1 === preg_match('/^\d{1,2}[.\/-]\d{1,2}(?:[.\/-](?:\d{2}|\d{4}))?\.?$|^(?:19|20)\d\d[.\/-]\d/', $digits),
            1 === preg_match('/^\d{1,2}[.:]\d{1,2}$/', $digits) => PieceKind::Remark,
            \strlen($bare) < 4 => PieceKind::Small,
            default => PieceKind::Number,
        };

        return new Piece($text, $from, $gap, $inside, $cell, $kind, [], PieceKind::Number === $kind ? $bare : '');
    }

    /**
     * A number written in groups is one; digits that are no number of the platform are a date or somebody's telephone.
     *
     * @param list<Piece> $pieces
     *
     * @return list<Piece>
     */
    private function numbers(array $pieces): array
    {
        $count = \count($pieces);
        $digits = static fn(Piece $piece): bool => 1 === preg_match('/^\+?[\d.\/\-]+$/', $piece->text)
            && \in_array($piece->kind, [PieceKind::Number, PieceKind::Small, PieceKind::Remark], true);
        for ($at = 0; $at < $count; ++$at) {
            if (!$digits($pieces[$at])) {
                continue;
            }
            $end = $at + 1;
            while (
                $end < $count
                && $digits($pieces[$end])
                && (Gap::Blank === $pieces[$end]->gap
                    || (Gap::Bracket === $pieces[$end]->gap && $pieces[$end - 1]->inside && !$pieces[$end]->inside)
                    || (Gap::Dash === $pieces[$end]->gap && \strlen($pieces[$end]->text) < 5))
            ) {
                ++$end;
            }
            $word = $pieces[$at - 1] ?? null;
            $phone = str_starts_with($pieces[$at]->text, '+')
                || (null !== $word && Vocabulary::has(Vocabulary::PHONES, $word->words[0] ?? ''));
            $run = \array_slice($pieces, $at, $end - $at);
            foreach ($this->run($run, $phone) as $place => $piece) {
                $pieces[$at + $place] = $piece;
            }
            $at = $end - 1;
        }

        return array_values($pieces);
    }

    /**
     * @param list<Piece> $run  digits, one behind the other
     *
     * @return list<Piece> as many
     */
    private function run(array $run, bool $phone): array
    {
        $all = NumberFormat::bare(implode('', array_map(static fn(Piece $each): string => $each->text, $run)));
        $reads = fn(string $digits, NumberReading ...$as): bool => [] !== array_filter(
            $this->formats,
            static fn(NumberFormat $format): bool => \in_array($format->read($digits), $as, true),
        );
        if ($phone) {
            return array_map(static fn(Piece $each): Piece => $each->as(PieceKind::Remark), $run);
        }
        if (\count($run) > 1 && $reads($all, NumberReading::Fits, NumberReading::WrongCheckDigit)) {
            // The first has the number, the others belong to it.
            return array_map(
                static fn(Piece $each): Piece => $each->as(PieceKind::Number, $all),
                $run,
            );
        }
        $fitting = array_filter(
            $run,
            static fn(Piece $each): bool => PieceKind::Number === $each->kind
                && $reads($each->identifier, NumberReading::Fits, NumberReading::WrongCheckDigit),
        );
        $long = array_filter($run, static fn(Piece $each): bool => \strlen($each->text) > 2);
        if (\count($run) > 1 && (\count($long) > 1 && \count($fitting) < \count($long)
            || str_starts_with($run[0]->text, '0'))) {
            return array_map(static fn(Piece $each): Piece => $each->as(PieceKind::Remark), $run);
        }

        return array_map(
            static fn(Piece $each): Piece => PieceKind::Number === $each->kind
                && 1 === preg_match('/^(?:0|19\d\d$|20\d\d$)/', $each->identifier)
                && !$reads($each->identifier, NumberReading::Fits)
                ? $each->as(PieceKind::Remark)
                : $each,
            $run,
        );
    }

    /** @return list<string> folded */
    private static function words(string $text): array
    {
        // A family name of one sign stands before the given one.
        if (1 === preg_match('/^(\p{Hangul})(\p{Hangul}{2,3})$/u', $text, $found)) {
            return [...Folding::tokens($found[1]), ...Folding::tokens($found[2])];
        }

        return Folding::tokens($text);
    }

    /** @return list<string> */
    private static function spellings(string $text, string $word): array
    {
        return array_values(array_diff(Folding::spellings($text), [$word]));
    }
}
