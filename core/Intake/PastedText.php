<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\People\Folding;
use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\People\NumberReading;

/**
 * Takes pasted text apart into lines: lists with numbers, bullets and ticks, `Name <address>`, identifiers beside names or
 * several on one line, rows of a spreadsheet; headings, greetings and sums in between are told apart from people.
 */
final readonly class PastedText
{
    /** Longer lines are no people; they are cut when shown. */
    private const LONGEST = 200;

    /** Words that are never part of a name, in a line that has no identifier. */
    private const NO_NAMES = ['attendance', 'best', 'class', 'dear', 'email', 'everybody', 'everyone', 'greetings', 'group', 'hello', 'hi', 'learners', 'list', 'login', 'name', 'names', 'number', 'page', 'people', 'please', 'regards', 'section', 'sincerely', 'students', 'sum', 'term', 'thanks', 'total', 'update'];

    /** @param list<NumberFormat> $formats */
    public function __construct(private array $formats)
    {
    }

    /** @return list<PastedLine> without the empty ones */
    public function lines(string $text): array
    {
        $text = (string) preg_replace('/[\x{200B}-\x{200F}\x{2060}\x{FEFF}\x{00AD}]/u', '', mb_scrub($text));
        $text = (string) preg_replace('/[^\S\r\n\t]|\x{00A0}/u', ' ', $text);
        $lines = [];
        foreach (preg_split('/\r\n|\r|\n/', $text) ?: [] as $index => $raw) {
            $shown = trim($raw);
            if ('' !== $shown) {
                array_push($lines, ...$this->line($index + 1, $shown));
            }
        }

        return $lines;
    }

    /** @return list<PastedLine> */
    private function line(int $number, string $shown): array
    {
        // Numbering, bullets and ticks in front, and what is left of them behind.
        $bare = (string) preg_replace('/^(?:\(?\d{1,3}[.)]\s+|[\-–—*•·▪◦‣✓✔☐☑☒x]\s+|\[[ xX✓]?\]\s*)+/u', '', $shown);
        $identifiers = $words = [];
        foreach (preg_split('/[\t;,<>()\s"]+/u', $bare, -1, \PREG_SPLIT_NO_EMPTY) ?: [] as $part) {
            $identifier = $this->identifier($part);
            if (null === $identifier) {
                array_push($words, ...Folding::tokens($part));
            } else {
                $identifiers[] = $identifier;
            }
        }
        $identifiers = array_values(array_unique($identifiers));
        $words = array_values(array_filter($words, static fn (string $word): bool => 1 !== preg_match('/^\d{1,3}$/D', $word)));
        if ([] === $words && \count($identifiers) > 1) {
            return array_map(static fn (string $identifier): PastedLine => new PastedLine($number, $identifier, [$identifier], [], true), $identifiers);
        }

        return [new PastedLine($number, mb_substr($shown, 0, self::LONGEST), $identifiers, $words, [] !== $identifiers || $this->mayBeAName($shown, $words))];
    }

    /** A part that is a number, a login or an address, as it is compared; null for a word of a name. */
    private function identifier(string $part): ?string
    {
        $part = trim($part, ".:'");
        if (str_contains($part, '@')) {
            return Folding::identifier($part);
        }
        foreach ($this->formats as $format) {
            if (NumberReading::Other !== $format->read($part) && \strlen(preg_replace('/\D/', '', $part) ?? '') >= 4) {
                return Folding::identifier(NumberFormat::bare($part));
            }
        }

        // A login has a dot, and is written small.
        return 1 === preg_match('/^[a-z0-9]+(?:\.[a-z0-9-]+)+$/D', $part) ? $part : null;
    }

    /** @param list<string> $words */
    private function mayBeAName(string $shown, array $words): bool
    {
        $long = array_filter($words, static fn (string $word): bool => \strlen($word) > 1);

        return [] !== $long && \count($words) <= 7 && mb_strlen($shown) <= self::LONGEST
            && 1 !== preg_match('/[:!?]\s*$/u', $shown)
            && [] === array_intersect($words, self::NO_NAMES);
    }
}
