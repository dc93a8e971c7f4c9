<?php

declare(strict_types=1);

namespace MintDoor\Core\Weeks;

use MintDoor\Core\Time\Window;

/** The time nothing takes. */
final class Free
{
    private function __construct() {}

    /**
     * What is left of a stretch of time by meetings.
     *
     * @param list<Meeting> $meetings in any order, overlapping or not
     * @param int           $least    seconds; shorter stretches are of no use
     *
     * @return list<Window> in order, none touching another
     */
    public static function within(Window $whole, array $meetings, int $least = 1): array
    {
        usort($meetings, static fn(Meeting $a, Meeting $b): int => $a->from <=> $b->from);
        $free = [];
        $from = $whole->from;
        foreach ($meetings as $meeting) {
            if ($meeting->from >= $whole->until) {
                break;
            }
            if ($meeting->from - $from >= $least) {
                $free[] = new Window($from, $meeting->from);
            }
            $from = max($from, $meeting->until);
        }
        if ($whole->until - $from >= $least) {
            $free[] = new Window($from, $whole->until);
        }

        return $free;
    }
}
