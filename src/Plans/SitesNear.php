<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Core\Roles\Permission;
use MintDoor\Plans\Repository\PlannedPeople;
use MintDoor\Plans\Repository\SitePlans;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Somebody;

/** Which sites could be planned together with one: those somebody may plan, and that have people of it. */
final readonly class SitesNear
{
    /** Of so many, those that share most people. */
    private const MOST = 40;

    public function __construct(private PlannedPeople $people, private SitePlans $plans, private Gate $gate) {}

    /** @return list<SiteNearShown> those that have most people of it, first */
    public function of(SiteAccess $access): array
    {
        $plan = $this->plans->of($access->site->id);
        $with = [];
        foreach (null === $plan ? [] : $this->plans->with($plan) as $other) {
            $with[$other->site->id] = true;
        }
        $shared = $this->people->shared($access->site->id, $access->now, self::MOST);
        $near = [];
        foreach ($shared + array_fill_keys(array_keys($with), 0) as $site => $people) {
            $other = $this->gate->ifThere((string) $site, $access->caller);
            $may = $other?->standing->may(Permission::ArrangeSections) && $other->standing->may(Permission::LetIn);
            if ($may && null === $other->standing->sections) {
                $near[] = new SiteNearShown(
                    new Somebody((string) $site, $other->row->string('title')),
                    $people,
                    null !== $this->plans->of((string) $site),
                    isset($with[$site]),
                );
            }
        }

        return $near;
    }
}
