<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roster\Timeline;

/** Somebody's timeline in a site, with what rosters sort and count them by. */
final readonly class NamedTimeline
{
    /** @param int $alike their `AlikeNumber` */
    public function __construct(public Timeline $timeline, public string $sortName, public int $alike) {}
}
