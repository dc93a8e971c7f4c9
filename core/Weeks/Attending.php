<?php

declare(strict_types=1);

namespace MintDoor\Core\Weeks;

use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;

/** Which meetings of a site are somebody's: those of the site as a whole, and of the sections they are in then. */
final class Attending
{
    private function __construct() {}

    public static function isTheirs(Timeline $timeline, Meeting $meeting): bool
    {
        $then = $timeline->at($meeting->from);

        return State::Current === $then?->state
            && (null === $meeting->section || $then->inSection($meeting->section));
    }

    /**
     * @param list<Meeting> $meetings of one site, in any order
     *
     * @return list<Meeting> in the same order
     */
    public static function of(Timeline $timeline, array $meetings): array
    {
        return array_values(
            array_filter($meetings, static fn(Meeting $meeting): bool => self::isTheirs($timeline, $meeting)),
        );
    }
}
