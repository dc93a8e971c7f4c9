<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** Sites that have been closed for whole terms leave the lists, and are found when asked for. */
final class Archive
{
    private function __construct() {}

    /**
     * @param list<Term> $terms those a site may have; of those that overlap one counts
     * @param int        $many  whole terms a site has to have been closed for, 1 or more
     * @param string     $today year-month-day
     *
     * @return ?string year-month-day: a site that was closed when it began is archived; null where no site is
     */
    public static function closedBefore(array $terms, int $many, string $today): ?string
    {
        $over = array_filter($terms, static fn(Term $term): bool => $term->endsOn < $today);
        usort($over, static fn(Term $a, Term $b): int => [$b->startsOn, $b->endsOn] <=> [$a->startsOn, $a->endsOn]);
        $before = $today;
        $counted = 0;
        foreach ($over as $term) {
            if ($term->endsOn < $before) {
                $before = $term->startsOn;
                ++$counted;
            }
            if ($counted === $many) {
                return $before;
            }
        }

        return null;
    }
}
