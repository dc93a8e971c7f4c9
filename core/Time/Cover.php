<?php

declare(strict_types=1);

namespace MintDoor\Core\Time;

/** What several windows cover together. */
final class Cover
{
    /**
     * The first instant of a window that none of some others contains, or null when they leave no gap. O(n log n).
     *
     * @param list<Window> $windows in any order, overlapping or not
     */
    public static function firstGap(array $windows, Window $whole): ?int
    {
        usort($windows, static fn(Window $a, Window $b): int => $a->from <=> $b->from);
        $covered = $whole->from;
        foreach ($windows as $window) {
            if ($window->from > $covered) {
                break;
            }
            $covered = max($covered, $window->until);
        }

        return $covered < $whole->until ? $covered : null;
    }
}
