<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\People\NumberReading;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\LevelNames;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Text\TooMuch;

/**
 * Takes pasted text apart into lines: lists with numbers, bullets and ticks, `Name <address>`, identifiers beside names
 * or several on one line, rows of a spreadsheet with what they say of level and division; headings, greetings, sums and
 * signatures in between are told apart from people.
 */
final readonly class PastedText
{
    /** Longer lines are no people; they are cut when shown. */
    private const LONGEST = 200;

    /** Words that are never part of a name, in a line that has no identifier. */
    private const NO_NAMES = [
        'absent',
        'address',
        'attendance',
        'attached',
        'best',
        'class',
        'course',
        'date',
        'dear',
        'email',
        'everybody',
        'everyone',
        'first',
        'following',
        'given',
        'greetings',
        'group',
        'hello',
        'here',
        'hi',
        'learners',
        'list',
        'login',
        'mail',
        'members',
        'name',
        'names',
        'new',
        'number',
        'page',
        'people',
        'please',
        'pupils',
        'regards',
        'roster',
        'section',
        'sent',
        'changeList',
        'signed',
        'sincerely',
        'students',
        'sum',
        'surname',
        'teacher',
        'term',
        'thank',
        'thanks',
        'the',
        'total',
        'tutor',
        'update',
        'week',
        'with',
    ];

    private const CLOSINGS = ['best', 'cheers', 'greetings', 'regards', 'sincerely', 'thanks', 'thank', 'yours'];

    /** Bytes of a line: a list of addresses as a message has it, but no book. */
    private const LONGEST_LINE = 16_000;

    /** Lines at the end that may be a signature, once somebody has said goodbye. */
    private const SIGNATURE = 3;

    private const TITLES = ['dr', 'herr', 'frau', 'miss', 'mr', 'mrs', 'ms', 'mx', 'prof', 'sir'];

    /** @var array<string, string> folded words of a division's name or code => its code */
    private array $divisions;

    /** @var array<string, string> folded words of a section's name => its id */
    private array $sections;

    /**
     * @param list<NumberFormat>    $formats
     * @param array<string, string> $divisions names by code
     * @param LevelNames            $levels    what divisions call theirs
     * @param array<string, string> $sections  names of the site's, by id
     */
    public function __construct(
        private array $formats,
        array $divisions = [],
        private LevelNames $levels = new LevelNames(new DivisionTree([])),
        array $sections = [],
    ) {
        $words = [];
        foreach ($divisions as $code => $name) {
            $words[self::joined($name)] = $words[self::joined((string) $code)] = (string) $code;
        }
        $this->divisions = $words;
        $this->sections = array_flip(array_map(self::joined(...), $sections));
    }

    /**
     * @param int $most lines that are not empty
     *
     * @return list<PastedLine> without the empty ones
     *
     * @throws TooMuch
     */
    public function lines(string $text, int $most = \PHP_INT_MAX): array
    {
        $text = (string) preg_replace(
            '/[\x{200B}-\x{200F}\x{202A}-\x{202E}\x{2060}-\x{2069}\x{FEFF}\x{00AD}]|(?![\r\n\t])\p{Cc}/u',
            '',
            mb_scrub($text),
        );
        $text = (string) preg_replace('/[^\S\r\n\t]|\x{00A0}/u', ' ', $text);
        $lines = [];
        foreach (preg_split('/\r\n|\r|\n|\x{2028}|\x{2029}|\x{0085}/u', $text) ?: [] as $index => $raw) {
            $shown = trim($raw);
            if (\strlen($shown) > self::LONGEST_LINE) {
                throw new TooMuch('too-long', $index + 1);
            }
            foreach ('' === $shown ? [] : $this->several($shown) as $one) {
                array_push($lines, ...$this->line($index + 1, $one));
            }
            if (\count($lines) > $most) {
                throw new TooMuch('too-many', $index + 1);
            }
        }

        return self::unsigned($lines);
    }

    /**
     * People that stand in one line, one behind the other: names with addresses as a message has them, or three and
     * more names of two words and more.
     *
     * @return non-empty-list<string>
     */
    private function several(string $shown): array
    {
        if (preg_match_all('/<[^<>\s]+@[^<>\s]+>/', $shown) > 1) {
            return array_values(
                array_filter(
                    array_map(
                        static fn(string $part): string => trim($part, " ,;\t"),
                        preg_split('/(?<=>)/', $shown) ?: [],
                    ),
                    static fn(string $part): bool => '' !== $part,
                ),
            ) ?: [$shown];
        }
        foreach (['/\s*;\s*/', '/\s*,\s*/'] as $override) {
            $parts = array_values(
                array_filter(preg_split($override, $shown) ?: [], static fn(string $part): bool => '' !== $part),
            );
            if (
                \count($parts) > 2
                && []
                    === array_filter(
                        $parts,
                        fn(string $part): bool => isset($this->divisions[self::joined($part)])
                            || isset($this->sections[self::joined($part)])
                            || 1 !== preg_match('/^[^\d\s@]+(?:\s+[^\d\s@]+){1,4}$/Du', $part),
                    )
            ) {
                return $parts;
            }
        }

        return [$shown];
    }

    /** A line without numbering, bullets, ticks, and words that announce a number or an address. */
    private static function bare(string $shown): string
    {
        $bare = (string) preg_replace(
            '/^(?:\(?\d{1,3}[.)]\s*(?=\D)|[\-–—*•·▪◦‣✓✔☐☑☒✗xX>]\s+|\[[ xX✓]?\]\s*)+/u',
            '',
            $shown,
        );
        $bare = (string) preg_replace('/\b(?:mailto|tel):/i', '', $bare);

        return (string) preg_replace(
            '/(?:[#№]|\b(?:no|nr|num|number|id)\b[.:]?|n[º°]\.?)\s*(?=[A-Z]{0,4}\d{4,})/iu',
            ' ',
            $bare,
        );
    }

    /** @return list<string> cells of a row that say a level or a division, in order */
    public function factsIn(string $shown): array
    {
        $cells = self::cells(self::bare($shown));

        return array_values(
            array_filter(
                $cells->texts,
                fn(string $cell, int $place): bool => isset($this->divisions[self::joined($cell)])
                    || (($cells->columns && $place > 0) && isset($this->sections[self::joined($cell)]))
                    || [] !== $this->levelsIn($cell, $cells->columns && $place > 0),
                \ARRAY_FILTER_USE_BOTH,
            ),
        );
    }

    /** @return list<PastedLine> */
    private function line(int $number, string $shown): array
    {
        $bare = self::bare($shown);
        $people = $this->people($bare);
        if (\count($people) > 1) {
            return array_merge(...array_map(fn(string $one): array => $this->line($number, $one), $people));
        }
        $cells = self::cells($bare);
        $identifiers = $words = $levels = $divisions = $sections = [];
        foreach ($cells->texts as $place => $cell) {
            $division = $this->divisions[self::joined($cell)] ?? null;
            $said = $this->levelsIn($cell, $cells->columns && $place > 0);
            // A name that is also that of a section is a name where it stands first.
            $section = $cells->columns && $place > 0 ? $this->sections[self::joined($cell)] ?? null : null;
            if (null !== $section) {
                $sections[] = $section;
                continue;
            }
            if (null !== $division || [] !== $said) {
                array_push($divisions, ...(array) $division);
                array_push($levels, ...$said);
                continue;
            }
            foreach ($this->parts($cell) as $part) {
                $identifier = $this->identifier($part);
                if (null === $identifier) {
                    array_push($words, ...Folding::tokens($part));
                } else {
                    $identifiers[] = $identifier;
                }
            }
        }
        $identifiers = array_values(array_unique($identifiers));
        $unread = [] !== preg_grep('/^\d{1,3}$/D', $words);
        $words = array_values(
            array_unique(
                array_filter(
                    $words,
                    static fn(string $word): bool => 1 !== preg_match('/^\d{1,3}$/D', $word)
                        && !\in_array($word, self::TITLES, true),
                ),
            ),
        );
        // Several of one kind are several people; a number and an address are one's.
        $kinds = array_unique(
            array_map(
                static fn(string $each): string => str_contains($each, '@')
                    ? '@'
                    : (1 === preg_match('/\d{4}/', $each)
                        ? '9'
                        : 'a'),
                $identifiers,
            ),
        );
        if ([] === $words && \count($identifiers) > 1 && (1 === \count($kinds) || !$cells->columns)) {
            return array_map(
                static fn(string $identifier): PastedLine => new PastedLine(
                    $number,
                    $identifier,
                    [$identifier],
                    [],
                    true,
                ),
                $identifiers,
            );
        }

        return [
            new PastedLine(
                $number,
                mb_substr($shown, 0, self::LONGEST),
                $identifiers,
                $words,
                [] !== $identifiers || $this->mayBeAName($shown, $words),
                array_values(array_unique($levels)),
                array_values(array_unique($divisions)),
                $unread,
                array_values(array_unique($sections)),
            ),
        ];
    }

    /**
     * Two identifiers of one kind are two people, each with the words beside it: those before it where the line begins
     * with words, and otherwise those after it.
     *
     * @return non-empty-list<string>
     */
    private function people(string $bare): array
    {
        preg_match_all('/[^\s,;|<>()\[\]"]+/u', $bare, $found, \PREG_OFFSET_CAPTURE);
        $tokens = array_map(
            fn(array $token): array => [$token[1], self::kind($this->identifier($token[0]))],
            $found[0],
        );
        $kinds = array_count_values(array_filter(array_column($tokens, 1)));
        if (
            [] === array_filter($kinds, static fn(int $times): bool => $times > 1)
            || (\count($tokens) === array_sum($kinds) && !self::cells($bare)->columns)
        ) {
            return [$bare];
        }
        $wordsFirst = '' === $tokens[0][1];
        $cuts = [0];
        $own = [];
        $last = '';
        foreach ($tokens as [$at, $kind]) {
            $begins = $wordsFirst ? '' === $kind && '' !== $last : '' !== $kind && '' === $last && [] !== $own;
            // What is a second one of its kind belongs to somebody else, also where no word stands between.
            if ($begins || ('' !== $kind && isset($own[$kind]))) {
                $cuts[] = $at;
                $own = [];
            }
            if ('' !== $kind) {
                $own[$kind] = true;
            }
            $last = $kind;
        }
        $parts = array_map(
            static fn(int $from, ?int $until): string => trim(
                substr($bare, $from, null === $until ? null : $until - $from),
                " \t,;|<>()[]\"&/",
            ),
            $cuts,
            [...\array_slice($cuts, 1), null],
        );

        return array_values(array_filter($parts, static fn(string $part): bool => '' !== $part)) ?: [$bare];
    }

    private static function kind(?string $identifier): string
    {
        return match (true) {
            null === $identifier => '',
            str_contains($identifier, '@') => 'address',
            1 === preg_match('/\d{4}/', $identifier) => 'number',
            default => 'login',
        };
    }

    private static function cells(string $bare): Cells
    {
        foreach (['/\t/', '/;/', '/\|/', '/,/'] as $override) {
            $cells = array_values(
                array_filter(
                    array_map(static fn(string $cell): string => trim($cell, ' "'), preg_split($override, $bare) ?: []),
                    static fn(string $cell): bool => '' !== $cell,
                ),
            );
            // A comma alone parts a family name from a given one.
            if (\count($cells) > ('/,/' === $override ? 2 : 1)) {
                return new Cells($cells, true);
            }
        }

        return new Cells([$bare], false);
    }

    /** @return list<string> the words of a cell; a number written in groups stays one */
    private function parts(string $cell): array
    {
        $bare = NumberFormat::bare($cell);
        if (1 === preg_match('/^[A-Z]{0,4}\d{4,}$/D', $bare)) {
            foreach ($this->formats as $format) {
                if (!\in_array($format->read($bare), [NumberReading::Other, NumberReading::WrongLength], true)) {
                    return [$bare];
                }
            }
        }

        return array_values(
            array_filter(
                preg_split('/[\t;,<>()\[\]\/\s"]+/u', $cell) ?: [],
                static fn(string $part): bool => '' !== $part,
            ),
        );
    }

    /** @return list<int> levels a cell may mean: by name, in words, or as a small number in a column of its own */
    private function levelsIn(string $cell, bool $column): array
    {
        if (
            1 === preg_match('/^(?:level|lvl\.?|l)\s*(\d{1,2})$/Di', $cell, $found)
            || ($column && 1 === preg_match('/^(\d{1,2})$/D', $cell, $found))
        ) {
            return [(int) $found[1]];
        }

        return $this->levels->called($cell);
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

        // A login is written small and has a dot, or digits behind letters.
        return 1 === preg_match('/^(?:[a-z0-9]+(?:[._][a-z0-9-]+)+|[a-z][a-z-]+\d+)$/D', $part) ? $part : null;
    }

    /** @param list<string> $words */
    private function mayBeAName(string $shown, array $words): bool
    {
        $long = array_filter($words, static fn(string $word): bool => \strlen($word) > 1);

        return [] !== $long
            && \count($words) <= 9
            && mb_strlen($shown) <= self::LONGEST
            && 1 !== preg_match('/[:!?]\s*$/u', $shown)
            && [] === array_intersect($words, self::NO_NAMES);
    }

    /**
     * Who signs a message after saying goodbye is not on the list.
     *
     * @param list<PastedLine> $lines
     *
     * @return list<PastedLine>
     */
    private static function unsigned(array $lines): array
    {
        $count = \count($lines);
        $people = false;
        foreach ($lines as $place => $line) {
            $closes = !$line->person && [] !== array_intersect($line->words, self::CLOSINGS);
            if ($people && $closes && $count - $place - 1 <= self::SIGNATURE) {
                $signed = static fn(PastedLine $last): PastedLine => [] === $last->identifiers
                    ? new PastedLine($last->number, $last->text, [], $last->words, false)
                    : $last;

                return [
                    ...\array_slice($lines, 0, $place + 1),
                    ...array_map($signed, \array_slice($lines, $place + 1)),
                ];
            }
            $people = $people || $line->person;
        }

        return $lines;
    }

    private static function joined(string $text): string
    {
        return implode(' ', Folding::tokens($text));
    }
}
