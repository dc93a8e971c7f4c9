<?php

declare(strict_types=1);

namespace MintDoor\Core\Text;

/**
 * The rows of a text that was typed, pasted or read from a file (RFC 4180, with any of tab, semicolon and comma between
 * cells): a cell in quotes may hold line breaks. How much is read is settled before anything is.
 */
final class Rows
{
    /** Characters of a row, and lines of a cell. */
    public const LONGEST = 4_000;

    private const CELL_LINES = 20;

    private function __construct() {}

    /**
     * @param int $most rows that are not empty
     *
     * @return array<int, string> by the number of their first line, without the empty ones
     *
     * @throws TooMuch
     */
    public static function of(string $text, int $most): array
    {
        $lines = preg_split('/\r\n|\r|\n/', mb_scrub($text)) ?: [];
        $rows = [];
        for ($at = 0; $at < \count($lines); ++$at) {
            $row = $lines[$at];
            $number = $at + 1;
            if ('' === trim($row, " \t;,\"")) {
                continue;
            }
            if (\count($rows) >= $most) {
                throw new TooMuch('too-many', $number);
            }
            for ($more = 1; $more <= self::CELL_LINES && isset($lines[$at + $more]) && self::open($row); ++$more) {
                $row .= "\n".$lines[$at + $more];
            }
            // A quote that is closed nowhere near was just a quote.
            if ($more > 1 && self::open($row)) {
                $row = $lines[$at];
                $more = 1;
            }
            $at += $more - 1;
            if (\strlen($row) > self::LONGEST) {
                throw new TooMuch('too-long', $number);
            }
            $rows[$number] = $row;
        }

        return $rows;
    }

    /** Whether a cell that began with a quote has not ended yet. */
    private static function open(string $row): bool
    {
        if (\strlen($row) > self::LONGEST || !str_contains($row, '"')) {
            return false;
        }
        $inside = false;
        $fresh = true;
        for ($at = 0; $at < \strlen($row); ++$at) {
            $character = $row[$at];
            if ('"' === $character) {
                $inside = $inside ? false : $fresh || (0 < $at && '"' === $row[$at - 1]);
            }
            $fresh = !$inside && \in_array($character, ["\t", ';', ','], true);
        }

        return $inside;
    }
}
