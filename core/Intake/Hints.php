<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Platform\LevelNames;
use MintDoor\Core\Text\Folding;

/** Finds what the pieces of a line say of level, division, kind and section. */
final readonly class Hints
{
    private const LONGEST = 5;

    private const LEVELS = ['level', 'lvl', 'lev', 'lv', 'l', 'stufe', 'niveau', 'nivel', 'year'];

    /** @var array<string, string> folded words => code of the division */
    private array $divisions;

    /** @var array<string, string> folded words => id of the section */
    private array $sections;

    /** @var array<string, true> words that something begins with which is a hint */
    private array $starts;

    /**
     * @param array<string, string> $divisions names by code
     * @param array<string, string> $sections  names of the site's, by id
     */
    public function __construct(array $divisions, private LevelNames $levels, array $sections)
    {
        $names = $words = [];
        foreach ($divisions as $code => $name) {
            $names[self::fold($name)] = $names[self::fold((string) $code)] = (string) $code;
            foreach (Folding::tokens($name) as $word) {
                foreach ([$word, rtrim($word, 's'), $word.'s'] as $form) {
                    $words[$form][(string) $code] = true;
                }
            }
        }
        // A word of one division's name alone means that one.
        foreach ($words as $word => $codes) {
            if (1 === \count($codes) && \strlen((string) $word) > 3) {
                $names[$word] ??= (string) array_key_first($codes);
            }
        }
        unset($names['']);
        $this->divisions = $names;
        $this->sections = array_flip(array_map(self::fold(...), $sections));
        $starts = [];
        foreach (
            [
                ...array_map(strval(...), array_keys($names)),
                ...array_map(strval(...), array_keys($this->sections)),
                ...$levels->names(),
                ...self::LEVELS,
                ...explode(' ', implode(' ', Vocabulary::KINDS)),
            ] as $name
        ) {
            $starts[explode(' ', $name)[0]] = true;
        }
        $this->starts = $starts;
    }

    /**
     * @param list<Piece>        $pieces
     * @param array<int, Column> $columns what the list's columns hold, by cell
     *
     * @return list<Hint>
     */
    public function of(array $pieces, array $columns = []): array
    {
        $hints = [];
        $count = \count($pieces);
        for ($at = 0; $at < $count; ++$at) {
            if (!$this->mayBegin($pieces, $at, $columns)) {
                continue;
            }
            for ($length = min(self::LONGEST, $count - $at); $length > 0; --$length) {
                $hint = $this->run($pieces, $at, $length, $columns[$pieces[$at]->cell] ?? null);
                if (null !== $hint) {
                    $hints[] = $hint;
                    $at += $length - 1;
                    break;
                }
            }
        }

        return $hints;
    }

    /**
     * @param list<Piece>        $pieces
     * @param array<int, Column> $columns
     */
    private function mayBegin(array $pieces, int $at, array $columns): bool
    {
        $piece = $pieces[$at];
        $first = $piece->words[0] ?? (preg_split('/[^a-z]+/', strtolower($piece->text), 2) ?: [''])[0];

        return isset($this->starts[$first])
            || (PieceKind::Small === $piece->kind
                && (isset($columns[$piece->cell]) || ($piece->cell > 0 && self::isAlone($pieces, $at, 1))));
    }

    /** @param list<Piece> $pieces */
    private function run(array $pieces, int $from, int $length, ?Column $column): ?Hint
    {
        $own = \array_slice($pieces, $from, $length);
        foreach (\array_slice($own, 1) as $piece) {
            if ($piece->gap->parts() && Gap::Colon !== $piece->gap && Gap::Dash !== $piece->gap) {
                return null;
            }
        }
        $at = range($from, $from + $length - 1);
        $text = implode(' ', array_map(static fn(Piece $each): string => $each->text, $own));
        $folded = self::fold($text);
        if ('' === $folded || \in_array($column, [Column::Remark, Column::Place], true)) {
            return null;
        }
        $alone = self::isAlone($pieces, $from, $length);
        $later = $alone && $own[0]->cell > 0;
        if (isset($this->sections[$folded]) && ($later || Column::Section === $column)) {
            return new Hint($at, sections: [$this->sections[$folded]]);
        }
        // In the midst of other words a single small one is any word.
        $told = $length > 1 || $own[0]->capital();
        if (isset($this->divisions[$folded]) && ($alone || ($from > 0 && $told))) {
            return new Hint($at, divisions: [$this->divisions[$folded]]);
        }
        $named = $this->levels->called($text);
        if ([] !== $named && ($alone || $from > 0)) {
            return new Hint($at, levels: $named, divisions: $this->levels->divisionsOf($text));
        }
        // "L7", "level 7", "lvl. 7"
        if (1 === preg_match(
            '/^(?:'.implode('|', self::LEVELS).')\s*(\d{1,2})$/',
            $folded,
            $found
        )) {
            return new Hint($at, levels: [(int) $found[1]]);
        }
        if (1 === preg_match('/^\d{1,2}$/D', $text) && (Column::Level === $column || $later)) {
            return new Hint($at, levels: [(int) $text], sure: Column::Level === $column);
        }
        foreach (Vocabulary::KINDS as $kind => $words) {
            if (Vocabulary::has($words, $folded) && $from > 0) {
                return new Hint($at, kinds: [PersonKind::from($kind)]);
            }
        }

        return null;
    }

    /**
     * Whether nothing else stands in the brackets or the cell of some pieces.
     *
     * @param list<Piece> $pieces
     */
    private static function isAlone(array $pieces, int $from, int $length): bool
    {
        return ($pieces[$from]->gap->parts() || 0 === $from)
            && (!isset($pieces[$from + $length]) || $pieces[$from + $length]->gap->parts());
    }

    private static function fold(string $text): string
    {
        return implode(' ', Folding::tokens($text));
    }
}
