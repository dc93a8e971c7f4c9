<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\Text\Folding;

/** Finds on a line what says that somebody who is named there is not meant. */
final class Cues
{
    private function __construct() {}

    /** Whether a folded word may say so. */
    public static function isOne(string $word): bool
    {
        return Vocabulary::has(Vocabulary::OUT, $word)
            || Vocabulary::has(Vocabulary::OTHER, $word)
            || Vocabulary::has(Vocabulary::EXCEPT, $word)
            || Vocabulary::has(Vocabulary::REPLACED, $word);
    }

    /**
     * Whether the line says that who is named does not come.
     *
     * @param list<int> $names pieces that are somebody's name
     */
    public static function out(PastedLine $line, array $names): bool
    {
        if (1 === preg_match('/~~|\x{0336}|<\/?(?:s|del|strike)>/u', $line->text)) {
            return true;
        }
        $words = self::words($line, $names);
        $first = array_key_first($words);
        foreach ($words as $at => $word) {
            $next = $words[$at + 1] ?? '';
            $before = $words[$at - 1] ?? '';
            $alone = $line->pieces[$at]->gap->parts() || \in_array(
                $before,
                ['has', 'have', 'is', 'was', 'already'],
                true
            );
            if (
                Vocabulary::has(Vocabulary::OUT, $word)
                || (\in_array($word, ['left', 'gone', 'out'], true) && $alone && !str_contains(
                    $line->pieces[$at]->text,
                    '-'
                ))
                || (\in_array($word, ['not', 'no', 'nicht'], true) && Vocabulary::has(Vocabulary::NOT, $next))
                || (\in_array($word, ['does', 'will', 'can', 'do'], true) && 'not' === $next)
                || \in_array($word, ['doesnt', 'wont', 'cant', 'isnt', 'cannot'], true)
                // "not Ana Ruiz", "all but Ana Ruiz"
                || ($at === $first && [] !== $names && $at < min($names) && Vocabulary::has(Vocabulary::EXCEPT, $word))
                || ('all' === $word && 'but' === $next && [] !== $names && $at < min($names))
            ) {
                return true;
            }
        }

        return false;
    }

    /**
     * Where the line begins to name somebody else than who is meant: the piece, null for nowhere.
     *
     * @param list<int> $names pieces that are somebody's name
     */
    public static function other(PastedLine $line, array $names): ?int
    {
        foreach (self::words($line, $names) as $at => $word) {
            $next = $line->pieces[$at + 1] ?? null;
            $other =
                self::isAnother($line, $at, $word)
                || ('in' === $word && 'place' === ($next->words[0] ?? ''))
                || ('c' === $word && str_starts_with(substr($line->text, $line->pieces[$at]->from), 'c/o'))
                || ('not' === $word && true === $next?->capital());
            if ($at > 0 && $other) {
                return $at;
            }
        }

        return null;
    }

    private static function isAnother(PastedLine $line, int $at, string $word): bool
    {
        return Vocabulary::has(Vocabulary::OTHER, $word)
            && ('son' !== $word || 'of' === ($line->pieces[$at + 1]->words[0] ?? ''));
    }

    /**
     * Whether it says so the other way round: who is named first goes.
     *
     * @param list<int> $names pieces that are somebody's name
     */
    public static function reversed(PastedLine $line, array $names): bool
    {
        foreach (self::words($line, $names) as $at => $word) {
            $first = 0 === $at && 'for' !== $word && self::isAnother($line, $at, $word);
            if ($first || Vocabulary::has(Vocabulary::REPLACED, $word)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param list<int> $names
     *
     * @return array<int, string> the words that are no names, by their piece
     */
    private static function words(PastedLine $line, array $names): array
    {
        $words = [];
        foreach ($line->pieces as $at => $piece) {
            $word = $piece->words[0] ?? implode('', Folding::tokens($piece->text));
            // "Son" is somebody's name; "son of" is not.
            $relation = 'of' === ($line->pieces[$at + 1]->words[0] ?? '') && Vocabulary::has(Vocabulary::OTHER, $word);
            if (
                ($relation || !\in_array($at, $names, true))
                && \in_array($piece->kind, [PieceKind::Word, PieceKind::Remark], true)
            ) {
                $words[$at] = $word;
            }
        }

        return $words;
    }
}
