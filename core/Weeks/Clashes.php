<?php

declare(strict_types=1);

namespace MintDoor\Core\Weeks;

/** Which hours are at the same time as which. A sweep: O(n log n + k) for n meetings and k pairs that overlap. */
final class Clashes
{
    private function __construct() {}

    /**
     * Meetings that would come, against those there are. One that is in both clashes with nothing through itself.
     *
     * @param list<Meeting> $come
     * @param list<Meeting> $are
     *
     * @return list<Clash> those that are first, first; `one` is always of those that would come
     */
    public static function between(array $come, array $are): array
    {
        $marked = [];
        foreach ($come as $meeting) {
            $marked[] = [$meeting, true];
        }
        foreach ($are as $meeting) {
            $marked[] = [$meeting, false];
        }

        return self::swept($marked, true);
    }

    /**
     * Meetings of one person, or of one room, against one another.
     *
     * @param list<Meeting> $meetings
     *
     * @return list<Clash> those that are first, first
     */
    public static function among(array $meetings): array
    {
        $marked = array_map(static fn(Meeting $meeting): array => [$meeting, true], $meetings);

        return self::swept($marked, false);
    }

    /**
     * @param list<array{Meeting, bool}> $marked   with whether it would come
     * @param bool                       $opposite whether only pairs of one that would and one that is there count
     *
     * @return list<Clash>
     */
    private static function swept(array $marked, bool $opposite): array
    {
        usort(
            $marked,
            static fn(array $a, array $b): int => [$a[0]->from, $a[0]->until, $a[0]->hours] <=> [
                $b[0]->from,
                $b[0]->until,
                $b[0]->hours,
            ],
        );
        $open = $clashes = [];
        foreach ($marked as [$meeting, $comes]) {
            $open = array_filter($open, static fn(array $each): bool => $each[0]->until > $meeting->from);
            foreach ($open as [$other, $otherComes]) {
                if ($meeting->is($other) || !$meeting->overlaps($other) || ($opposite && $comes === $otherComes)) {
                    continue;
                }
                [$one, $with] = $opposite && !$comes ? [$other, $meeting] : [$meeting, $other];
                if (!$opposite && $one->hours > $with->hours) {
                    [$one, $with] = [$with, $one];
                }
                $pair = $one->hours.' '.$with->hours;
                $clashes[$pair] = isset($clashes[$pair]) ? $clashes[$pair]->again() : new Clash($one, $with);
            }
            $open[] = [$meeting, $comes];
        }

        return array_values($clashes);
    }
}
