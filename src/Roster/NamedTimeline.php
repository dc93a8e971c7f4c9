<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roster\Timeline;

/** Somebody's timeline in a site, with the name by which rosters are sorted. */
final readonly class NamedTimeline
{
    public function __construct(public Timeline $timeline, public string $sortName) {}
}
