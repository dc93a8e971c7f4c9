<?php

declare(strict_types=1);

namespace MintDoor\Roster;

/** How many people are in a site now, paused, upcoming and waiting ones too, and how many seats they hold. */
final readonly class SiteCount
{
    /** @param int $others listed, but neither learners nor staff */
    public function __construct(
        public int $learners = 0,
        public int $staff = 0,
        public int $others = 0,
        public int $unlisted = 0,
        public int $seatsHeld = 0,
    ) {}
}
