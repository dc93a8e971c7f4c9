<?php

declare(strict_types=1);

namespace MintDoor\Core\Sites;

use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\LevelNames;
use MintDoor\Core\Text\Columns;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Text\Rows;
use MintDoor\Core\Text\TooMuch;

/**
 * Reads rows of sites as they are typed or pasted from a spreadsheet: title, code, kind, division, term, levels, seats,
 * leads, in this order or as a first row names them. What a row leaves out is as for the others, where that can be.
 */
final readonly class SiteRows
{
    private const FIELDS = ['title', 'code', 'kind', 'division', 'term', 'levels', 'seats', 'leads'];

    /** What columns are called in a first row. */
    private const CALLED = [
        'title' => ['title', 'name', 'site'],
        'code' => ['code', 'short code'],
        'kind' => ['kind', 'type'],
        'division' => ['division', 'school'],
        'term' => ['term'],
        'levels' => ['level', 'levels', 'level band'],
        'seats' => ['seats', 'places'],
        'leads' => ['lead', 'leads', 'lead tutor', 'lead tutors', 'tutor', 'tutors'],
    ];

    /**
     * @param array<string, string> $kinds     names by code, the first one where none is said
     * @param array<string, string> $divisions names by code
     * @param array<string, string> $terms     names by code
     * @param LevelNames            $levels    what divisions call theirs
     */
    public function __construct(
        private array $kinds,
        private array $divisions,
        private array $terms,
        private string $division,
        private string $term,
        private LevelNames $levels = new LevelNames(new DivisionTree([])),
    ) {}

    /**
     * @param int $most rows
     *
     * @return list<SiteDraft>
     *
     * @throws TooMuch
     */
    public function read(string $text, int $most = \PHP_INT_MAX - 1): array
    {
        $drafts = [];
        $columns = self::FIELDS;
        $taken = [];
        foreach (Rows::of($text, $most + 1) as $number => $line) {
            $cells = Columns::cells($line);
            if ([] === array_filter($cells, static fn(string $cell): bool => '' !== $cell)) {
                continue;
            }
            $named = [] === $drafts ? Columns::named($cells, self::CALLED) : null;
            if (null !== $named) {
                $columns = $named;
                continue;
            }
            $row = array_fill_keys(self::FIELDS, '');
            foreach ($columns as $place => $field) {
                $row[$field] = $cells[$place] ?? '';
            }
            if (\count($drafts) >= $most) {
                throw new TooMuch('too-many', $number);
            }
            $draft = $this->draft($number, trim($line), $row, $taken);
            $taken[$draft->code] = true;
            $drafts[] = $draft;
        }

        return $drafts;
    }

    /**
     * @param array<string, string> $row   by field
     * @param array<string, true>   $taken codes of the rows before
     */
    private function draft(int $number, string $text, array $row, array $taken): SiteDraft
    {
        $problems = [];
        $wrong = static function (string $field, string $code) use (&$problems): void {
            $problems[] = ['field' => $field, 'code' => $code];
        };
        $among = static function (
            string $field,
            array $names,
            string $default,
            bool $must = true,
        ) use ($row, $wrong): string {
            $code = Columns::among($row[$field], $names);
            if (null === $code && ('' !== $row[$field] || ($must && '' === $default))) {
                $wrong($field, '' === $row[$field] ? 'missing' : 'unknown');
            }

            return $code ?? $default;
        };
        if ('' === $row['title']) {
            $wrong('title', 'missing');
        }
        $kind = $among('kind', $this->kinds, (string) array_key_first($this->kinds));
        $division = $among('division', $this->divisions, $this->division);
        $term = $among('term', $this->terms, $this->term, false);
        $lowest = $highest = $seats = null;
        if ('' !== $row['levels']) {
            $run = $this->levels->run($row['levels'], $division);
            if (null === $run) {
                $wrong('levels', 'not-levels');
            } else {
                [$lowest, $highest] = $run;
            }
        }
        if ('' !== $row['seats']) {
            1 === preg_match('/^\d{1,6}$/D', $row['seats'])
                ? ($seats = (int) $row['seats'])
                : $wrong('seats', 'not-a-number');
        }

        return new SiteDraft(
            $number,
            mb_substr($text, 0, 300),
            $row['title'],
            '' === $row['code'] ? self::code($row['title'], $taken) : mb_strtoupper($row['code']),
            $kind,
            $division,
            $term,
            $lowest,
            $highest,
            $seats,
            array_values(
                array_filter(
                    array_map(trim(...), preg_split('/[,;\/&]|\band\b/u', $row['leads']) ?: []),
                    static fn(string $lead): bool => '' !== $lead,
                ),
            ),
            $problems,
        );
    }

    /**
     * A short code from the first letters of a title.
     *
     * @param array<string, true> $taken
     */
    private static function code(string $title, array $taken): string
    {
        $words = Folding::tokens($title);
        $code = strtoupper(
            1 === \count($words)
                ? substr($words[0], 0, 4)
                : implode(
                    '',
                    array_map(
                        static fn(string $word): string => ctype_digit($word) ? '-'.$word : $word[0],
                        \array_slice($words, 0, 8),
                    ),
                ),
        );
        $code = 2 > \strlen($code) ? str_pad($code, 2, 'X') : ltrim($code, '-');
        for ($n = 2, $free = $code; isset($taken[$free]); ++$n) {
            $free = $code.'-'.$n;
        }

        return $free;
    }
}
