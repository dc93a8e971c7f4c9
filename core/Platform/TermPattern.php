<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/**
 * The terms of another year after the pattern of those there are: on the same days of the week, as near as can be to
 * the same days of the year.
 */
final class TermPattern
{
    private function __construct() {}

    /**
     * @param list<Term>   $terms of one year
     * @param int          $years how many later, 1 or more
     * @param list<string> $taken codes that are given
     *
     * @return list<Term> one for each, with the years in its name and code moved on
     */
    public static function later(array $terms, int $years, array $taken = []): array
    {
        $later = [];
        foreach ($terms as $term) {
            $code = self::free(self::moved($term->code, $years), $taken);
            $taken[] = $code;
            $later[] = new Term(
                $code,
                self::moved($term->name, $years),
                self::day($term->startsOn, $years),
                self::day($term->endsOn, $years),
                $term->division,
            );
        }

        return $later;
    }

    /** The day of the same name that is nearest to the same date so many years later. */
    public static function day(string $day, int $years): string
    {
        $was = new \DateTimeImmutable($day);
        $is = $was->modify("+$years years");
        $ahead = ((int) $was->format('N') - (int) $is->format('N') + 7) % 7;

        return $is->modify(($ahead > 3 ? $ahead - 7 : $ahead).' days')->format('Y-m-d');
    }

    /** Every year in a text moved on, also one of two figures behind another, as in 2026/27. */
    private static function moved(string $text, int $years): string
    {
        return (string) preg_replace_callback(
            '/(?<!\d)((?:19|20)\d\d)(?:([\/–-])(\d\d))?(?!\d)/u',
            static fn(array $found): string => (string) ((int) $found[1] + $years)
                .(isset($found[3]) ? $found[2].\sprintf('%02d', ((int) $found[3] + $years) % 100) : ''),
            $text,
        );
    }

    /** @param list<string> $taken */
    private static function free(string $code, array $taken): string
    {
        for ($n = 2, $free = $code; \in_array($free, $taken, true); ++$n) {
            $free = substr($code, 0, 28).'-'.$n;
        }

        return $free;
    }
}
