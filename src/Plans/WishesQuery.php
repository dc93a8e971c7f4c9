<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Changes\ChangeLists;
use MintDoor\Core\Plans\Lot;
use MintDoor\Plans\Entity\SitePlan;
use MintDoor\Plans\Repository\PlannedPeople;
use MintDoor\Plans\Repository\SitePlans;
use MintDoor\Plans\Repository\Wishes;
use MintDoor\Roster\Gate;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Somebody;
use MintDoor\Weeks\HoursQuery;
use MintDoor\Weeks\Occasions;

/** What somebody is asked for, in all their sites: they see what is theirs, and nothing of anybody else. */
final readonly class WishesQuery
{
    public function __construct(
        private SitePlans $plans,
        private Wishes $wishes,
        private PlannedPeople $people,
        private Questions $questions,
        private Sections $sections,
        private HoursQuery $hours,
        private Occasions $occasions,
        private ChangeLists $lists,
        private Gate $gate,
        private PlatformClock $clock,
    ) {}

    /** @return list<OwnWishes> those that close first, first; then what came of others */
    public function of(Caller $caller): array
    {
        $own = [];
        foreach ($this->plans->ofPerson($caller->id, $this->clock->instant()) as $plan) {
            $one = $this->one($plan, $caller);
            null === $one || ($own[] = $one);
        }
        usort(
            $own,
            static fn(OwnWishes $a, OwnWishes $b): int => [!$a->asks, $a->closesAt ?? '', $a->plan]
                <=> [!$b->asks, $b->closesAt ?? '', $b->plan],
        );

        return $own;
    }

    /** Null where they are not asked, and nothing came of it for them. */
    public function one(SitePlan $plan, Caller $caller): ?OwnWishes
    {
        $now = $this->clock->instant();
        $theirs = $this->people->sectionsOf($plan->site->id, $caller->id, $now);
        $access = null === $theirs ? null : $this->gate->ifThere($plan->site->id, $caller);
        $place = null === $access ? null : $this->place($plan, $caller->id, $access);
        if (null === $access || ((null === $plan->opensAt || $plan->opensAt > $now) && null === $place)) {
            return null;
        }
        $wish = $this->wishes->one($plan, $caller->id);

        return new OwnWishes(
            $plan->id,
            new Somebody($plan->site->id, $plan->site->title),
            $access->zone()->getName(),
            $this->wished($access, $plan, $theirs),
            array_values(
                array_intersect($wish->sections ?? [], PlanTerms::read($plan->terms)->sections($access->site))
            ),
            null === $wish ? null : Instant::toJson($wish->saidAt),
            $plan->asks($now),
            null === $plan->closesAt ? null : Instant::toJson($plan->closesAt),
            $place,
        );
    }

    /**
     * @param list<string> $theirs sections they are in
     *
     * @return list<SectionWished>
     */
    private function wished(SiteAccess $access, SitePlan $plan, array $theirs): array
    {
        $clashes = $this->questions->clashesOf($access, $plan, $access->caller->id, $theirs);
        $hours = [];
        foreach ($this->hours->shownOf($access) as $each) {
            $hours[(string) $each->section][] = $each;
        }
        $used = array_flip(PlanTerms::read($plan->terms)->sections($access->site));
        $wished = [];
        foreach ($this->sections->all($access->site->id) as $section) {
            if (isset($used[$section->id])) {
                // What is at the same time as where they are is so already.
                $clash = \in_array($section->id, $theirs, true) ? null : $clashes[$section->id] ?? null;
                $wished[] = new SectionWished(
                    $section->id,
                    $section->name,
                    $section->meets,
                    $hours[$section->id] ?? [],
                    null === $clash ? null : $this->occasions->of($clash->other),
                );
            }
        }

        return $wished;
    }

    private function place(SitePlan $plan, string $person, SiteAccess $access): ?OwnPlace
    {
        $list = $plan->changeList?->id;
        if (SitePlan::APPLIED !== $plan->state || null === $list || $this->lists->isUndone($list)) {
            return null;
        }
        $why = Outcome::read($plan->outcome ?? [])->why[$person] ?? null;
        if (null === $why || null === $plan->seed) {
            return null;
        }
        $lot = new Lot($plan->seed);

        return new OwnPlace(
            $why->section,
            $why->because->value,
            $why->wish,
            $why->full,
            $why->cannot,
            $why->kept,
            $plan->seed,
            $person,
            array_map(
                static fn(string $section): array => ['section' => $section, 'lot' => $lot->of($person, $section)],
                PlanTerms::read($plan->terms)->sections($access->site),
            ),
        );
    }
}
