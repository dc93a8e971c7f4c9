<?php

declare(strict_types=1);

namespace MintDoor\Core\Weeks;

/** A meeting as it is drawn in its day: beside those that are at the same time. */
final readonly class PlacedMeeting
{
    /**
     * @param int $lane  from 0; no two at the same time have the same one
     * @param int $lanes how many stand side by side there, 1 or more
     * @param bool $clash whether something else is at the same time
     */
    public function __construct(
        public Meeting $meeting,
        public int $lane,
        public int $lanes,
        public bool $clash,
    ) {}
}
