<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

/** The timeline of somebody who leads a site, or will. */
final readonly class LeadTimeline
{
    /** @param int $accountClosedFrom the instant from which they cannot enter any more, whatever the timeline says */
    public function __construct(public Timeline $timeline, public int $accountClosedFrom) {}
}
