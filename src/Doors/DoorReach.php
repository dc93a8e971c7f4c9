<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Doors\Doorman;
use MintDoor\Doors\Repository\ReachCounts;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SiteAccess;

/** How many could come through a door, while its sentence is written. */
final readonly class DoorReach
{
    public function __construct(private ReachCounts $counts, private DoorPlanner $planner, private Roles $roles) {}

    public function of(SiteAccess $access, DoorRequest $request): DoorReachAnswer
    {
        $planned = $this->planner->plan($access, $request);
        $terms = $planned->policy->terms(true, $planned->hours);
        // Before it opens, those count who could come through once it does.
        $reach = (new Doorman($this->roles->book()))->reach(
            $terms,
            $access->site,
            $this->counts->alike($access->site->id, $terms->domains, $access->now),
            max($access->now, $planned->hours->from),
        );

        return new DoorReachAnswer($reach, $request->seats ?? $access->site->seats);
    }
}
