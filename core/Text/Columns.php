<?php

declare(strict_types=1);

namespace MintDoor\Core\Text;

/**
 * Rows as they are typed or copied from a spreadsheet: their cells, what a first row calls them, and what a cell names.
 */
final class Columns
{
    private function __construct() {}

    /** @return list<string> */
    public static function cells(string $line): array
    {
        $override = str_contains($line, "\t") ? "\t" : (str_contains($line, ';') ? ';' : ',');

        return array_map(
            static fn(?string $cell): string => trim((string) preg_replace('/\s+/u', ' ', (string) $cell)),
            str_getcsv($line, $override, '"', ''),
        );
    }

    /**
     * What a first row calls its columns.
     *
     * @param list<string>                $cells
     * @param array<string, list<string>> $called folded words by field
     *
     * @return ?list<string> the field of each column, empty for one that is none; null when this row names no columns
     */
    public static function named(array $cells, array $called): ?array
    {
        $fields = [];
        foreach ($cells as $cell) {
            $word = implode(' ', Folding::tokens($cell));
            $field = '';
            foreach ($called as $name => $words) {
                if (\in_array($word, $words, true)) {
                    $field = $name;
                }
            }
            $fields[] = $field;
        }

        return \count(array_filter($fields)) > 1 && \count(array_filter($fields)) >= \count($cells) - 1
            ? $fields
            : null;
    }

    /**
     * The code of what is called so, by code or by name.
     *
     * @param array<array-key, mixed> $names by code
     */
    public static function among(string $typed, array $names): ?string
    {
        $folded = implode(' ', Folding::tokens($typed));
        foreach ($names as $code => $name) {
            if (
                '' !== $folded
                && \in_array(
                    $folded,
                    [
                        implode(' ', Folding::tokens((string) $code)),
                        \is_string($name) ? implode(' ', Folding::tokens($name)) : '',
                    ],
                    true,
                )
            ) {
                return (string) $code;
            }
        }

        return null;
    }
}
