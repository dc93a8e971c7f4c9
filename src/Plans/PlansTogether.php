<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Changes\ChangeLists;
use MintDoor\Core\Plans\WhatIf;
use MintDoor\Plans\Entity\SitePlan;
use MintDoor\Plans\Repository\SitePlans;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;

/** Plans of several sites that are computed in one go, so that nobody is put in two places at once. */
final readonly class PlansTogether
{
    public function __construct(
        private SitePlans $plans,
        private Questions $questions,
        private Gate $gate,
        private ChangeLists $lists,
    ) {}

    /** @return list<SitePlan> the others a plan is computed with: those that are still to be carried out */
    public function others(SitePlan $plan): array
    {
        return array_values(
            array_filter($this->plans->with($plan), fn(SitePlan $other): bool => !$this->isDone($other)),
        );
    }

    public function isDone(SitePlan $plan): bool
    {
        return SitePlan::APPLIED === $plan->state
            && null !== $plan->changeList
            && !$this->lists->isUndone($plan->changeList->id);
    }

    /** @param list<SitePlan> $others */
    public function asked(SiteAccess $access, SitePlan $plan, array $others, WhatIf $whatIf = new WhatIf()): Asked
    {
        $site = $access->site->id;
        $plans = [$site => $plan];
        $accesses = [$site => $access];
        foreach ($others as $other) {
            $plans[$other->site->id] = $other;
            $accesses[$other->site->id] = $this->gate->atDoor($other->site->id, Caller::nobody());
        }
        $sections = [];
        foreach ($accesses as $id => $each) {
            $sections[$id] = PlanTerms::read($plans[$id]->terms)->sections($each->site);
        }
        $questions = [];
        foreach ($accesses as $id => $each) {
            // Where the others put people is found out at the same time.
            $open = array_merge(...array_values(array_diff_key($sections, [$id => true])));
            $questions[$id] = $this->questions->of($each, $plans[$id], $id === $site ? $whatIf : new WhatIf(), $open);
        }
        $sections[$site] = array_values(array_diff($sections[$site], $whatIf->hours));

        return new Asked($plans, $questions, $this->questions->sameTime($sections, $access->now, $whatIf->moved));
    }
}
