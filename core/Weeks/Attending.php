<?php

declare(strict_types=1);

namespace MintDoor\Core\Weeks;

use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;

/** Which meetings of a site are somebody's: those of the site as a whole, and of the sections they are in then. */
final class Attending
{
    private function __construct() {}

    /**
     * @param list<Meeting> $meetings of one site, in any order
     *
     * @return list<Meeting> in the same order
     */
    public static function of(Timeline $timeline, array $meetings): array
    {
        return array_values(
            array_filter($meetings, static function (Meeting $meeting) use ($timeline): bool {
                $then = $timeline->at($meeting->from);

                return State::Current === $then?->state
                    && (null === $meeting->section || $then->inSection($meeting->section));
            }),
        );
    }

    /**
     * Those somebody would come to have by a change.
     *
     * @param list<Meeting> $meetings of one site
     *
     * @return list<Meeting> that are theirs after it and were not before
     */
    public static function gained(Timeline $before, Timeline $after, array $meetings): array
    {
        $had = [];
        foreach (self::of($before, $meetings) as $meeting) {
            $had[$meeting->hours.' '.$meeting->from] = true;
        }

        return array_values(
            array_filter(
                self::of($after, $meetings),
                static fn(Meeting $meeting): bool => !isset($had[$meeting->hours.' '.$meeting->from]),
            ),
        );
    }
}
