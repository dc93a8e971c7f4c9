<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\Text\Folding;

/** Says of each piece of a line what it was taken for, and whether a line names two people. */
final readonly class Marking
{
    /** Words that join two names, folded. */
    private const JOINING = ['and', 'und', 'et', 'y', 'e', 'og', 'och', 'en', 'i', 'ja'];

    private NameFit $fit;

    public function __construct(private PastedText $text, Wording $wording)
    {
        $this->fit = new NameFit($wording);
    }

    /** @return list<Mark> whose texts, one behind the other, are the line */
    public function of(Reading $reading): array
    {
        $line = $reading->line;
        if (!$line->person) {
            return [new Mark($line->text, MarkKind::Ignored)];
        }
        $names = $this->names($reading);
        $facts = self::places($line->text, $this->text->factsIn($line->text));
        preg_match_all('/[^\s,;|<>()\[\]"\/&+]+/u', $line->text, $found, \PREG_OFFSET_CAPTURE);
        $marks = [];
        $at = 0;
        foreach ($found[0] as [$piece, $from]) {
            if ($from > $at) {
                $marks[] = new Mark(substr($line->text, $at, $from - $at), null);
            }
            $at = $from + \strlen($piece);
            $inside = array_filter($facts, static fn(array $fact): bool => $fact[0] <= $from && $at <= $fact[1]);
            $marks[] = new Mark($piece, [] === $inside ? self::kind($piece, $line, $names) : MarkKind::Fact);
        }
        if ($at < \strlen($line->text)) {
            $marks[] = new Mark(substr($line->text, $at), null);
        }

        return $marks;
    }

    /**
     * The two people a line names together, such as "Ilse & Vito Haverbeke": every word of it is a name of one of them,
     * and each has one that the other has not. Nobody decides that but who pasted it.
     *
     * @return array{Candidate, Candidate}|null
     */
    public function both(Reading $reading): ?array
    {
        $line = $reading->line;
        if (
            !\in_array($reading->outcome, [Outcome::Choose, Outcome::Unknown], true)
            || [] !== $line->identifiers
            || 1 !== preg_match('/[&\/+]|(?<=\s)(?:'.implode('|', self::JOINING).')(?=\s)/iu', $line->text)
        ) {
            return null;
        }
        // The word that joins them is no name of theirs.
        $words = array_values(array_diff($line->words, self::JOINING));
        $own = array_map(
            fn(Candidate $each): array => $this->fit->placed($words, $each->known),
            $reading->candidates,
        );
        foreach ($own as $one => $ofOne) {
            foreach (\array_slice($own, $one + 1, null, true) as $other => $ofOther) {
                if (
                    [] === array_diff($words, $ofOne, $ofOther)
                    && [] !== array_diff($ofOne, $ofOther)
                    && [] !== array_diff($ofOther, $ofOne)
                ) {
                    return [$reading->candidates[$one], $reading->candidates[$other]];
                }
            }
        }

        return null;
    }

    /** @return list<string> words of the line that are names: of who was understood, or of anybody who may be meant */
    private function names(Reading $reading): array
    {
        $words = $reading->line->words;
        $known = array_map(static fn(Candidate $each): Known => $each->known, $reading->candidates);
        if ([] === $known) {
            return $words;
        }

        return array_values(
            array_unique(
                array_merge(...array_map(fn(Known $each): array => $this->fit->placed($words, $each), $known)),
            ),
        );
    }

    /** @param list<string> $names */
    private static function kind(string $piece, PastedLine $line, array $names): ?MarkKind
    {
        if (str_contains($piece, '@')) {
            return MarkKind::Address;
        }
        $bare = mb_strtolower(NumberFormat::bare($piece));
        foreach ('' === $bare ? [] : $line->identifiers as $identifier) {
            // A number may have been written in groups.
            if ($identifier === mb_strtolower(trim($piece, ".:'")) || self::isPartOf($bare, $identifier)) {
                return MarkKind::Number;
            }
        }
        $words = Folding::tokens($piece);

        return match (true) {
            [] === $words => null,
            [] !== array_intersect($words, $names) => MarkKind::Name,
            [] !== array_intersect($words, $line->words) => MarkKind::Remark,
            default => MarkKind::Ignored,
        };
    }

    private static function isPartOf(string $bare, string $identifier): bool
    {
        return 1 === preg_match('/\d/', $bare)
            && !str_contains($identifier, '@')
            && ($bare === $identifier || (\strlen($bare) > 1 && str_contains($identifier, $bare)));
    }

    /**
     * @param list<string> $parts of the text, in order
     *
     * @return list<array{int, int}> bytes from and until
     */
    private static function places(string $text, array $parts): array
    {
        $places = [];
        $from = 0;
        foreach ($parts as $part) {
            $at = strpos($text, $part, $from);
            if (false !== $at) {
                $from = $at + \strlen($part);
                $places[] = [$at, $from];
            }
        }

        return $places;
    }
}
