<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Changes\ChangeListRunner;
use MintDoor\Changes\ChangeLists;
use MintDoor\Changes\LineRequest;
use MintDoor\Changes\RequestedItem;
use MintDoor\Core\Plans\Because;
use MintDoor\Core\Plans\Moves;
use MintDoor\Core\Plans\Why;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Plans\Entity\SitePlan;
use MintDoor\Plans\Repository\PlannedPeople;
use MintDoor\Plans\Repository\SitePlans;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Said;
use MintDoor\Shared\Speech;

/**
 * Plans who goes into which section of a site: what is asked, the lot, the computing, and the change list that comes of
 * it. Runs inside a transaction, under the site's lock.
 */
final readonly class PlanHandler
{
    private const SET = 'plan-set';

    private const DRAWN = 'plan-drawn';

    private const DROPPED = 'plan-dropped';

    private const BACK = 'plan-back';

    public function __construct(
        private SitePlans $plans,
        private PlannedPeople $people,
        private PlanRunner $runner,
        private PlansTogether $together,
        private ChangeLists $lists,
        private ChangeListRunner $changes,
        private History $history,
        private Ids $ids,
        private Speech $speech,
    ) {}

    /** The plan of a site, or a new one. */
    public function set(SiteAccess $access, PlanRequest $request): SitePlan
    {
        $terms = $this->terms($access, $request);
        $plan = $this->plans->of($access->site->id) ?? $this->plans->make($this->ids->next(), $access->site->id);
        self::assertIdle($plan);
        $plan->terms = $terms->kept();
        if ([$request->wishesFrom, $request->wishesUntil] !== $plan->days($access->zone())) {
            // Whoever may wish, or plans, knows neither the lot nor what others wish.
            if (null !== $plan->seed) {
                throw Problem::field('/wishesUntil', 'drawn', 'plans.drawn-already');
            }
            [$plan->opensAt, $plan->closesAt] = $this->window($access, $request);
            $plan->askedAt = $plan->opensAt > $access->now ? null : $plan->askedAt;
            $plan->remindedAt = null;
        }
        $plan->reset();
        $this->told($access, self::SET);

        return $plan;
    }

    /** Nobody says any more what they wish. */
    public function close(SiteAccess $access, SitePlan $plan): void
    {
        if (!$plan->asks($access->now)) {
            throw new Problem(ProblemType::NotReady, 'plans.not-asked-now');
        }
        $plan->closesAt = $access->now;
        ++$plan->version;
        $this->told($access, self::SET);
    }

    /**
     * The lot is drawn when nobody says any more what they wish, once.
     *
     * @param array<string, SiteAccess> $accesses to the sites of all that are planned together, the own one too, by id
     */
    public function compute(SiteAccess $access, SitePlan $plan, array $accesses): void
    {
        self::assertIdle($plan);
        if ($plan->stillAsks($access->now)) {
            throw new Problem(ProblemType::NotReady, 'plans.still-asked');
        }
        $others = $this->together->others($plan);
        foreach ($others as $other) {
            if (SitePlan::COMPUTING === $other->state || $other->stillAsks($access->now)) {
                $title = $other->site->title;
                throw new Problem(ProblemType::NotReady, Said::with('plans.other-not-ready', title: $title));
            }
        }
        foreach ([$plan, ...$others] as $each) {
            $own = $accesses[$each->site->id];
            if ([] === PlanTerms::read($each->terms)->sections($own->site)) {
                throw new Problem(ProblemType::NotReady, 'plans.no-section-left');
            }
            if (null === $each->seed) {
                $each->seed = bin2hex(random_bytes(16));
                $each->drawnAt = $access->now;
                $this->told($own, self::DRAWN, ['seed' => $each->seed]);
            }
        }
        $this->runner->begin($access, $plan, $others);
    }

    /**
     * Plans of other sites are computed with this one from now on, and no others; those that are left out stay as they
     * are among themselves.
     *
     * @param array<string, SiteAccess> $accesses to the other sites, by id
     */
    public function with(SiteAccess $access, SitePlan $plan, array $accesses): void
    {
        self::assertIdle($plan);
        $before = [];
        foreach ($this->plans->with($plan) as $other) {
            $before[$other->site->id] = true;
        }
        if ([] === array_diff_key($before, $accesses) && [] === array_diff_key($accesses, $before)) {
            return;
        }
        $joint = [] === $accesses ? null : $this->ids->next();
        foreach (array_values($accesses) as $n => $own) {
            $other = $this->plans->lockedOf($own->site->id);
            $said = match (true) {
                null === $other => 'plans.no-plan-there',
                SitePlan::COMPUTING === $other->state => 'plans.other-not-ready',
                !isset($before[$own->site->id]) && [] !== $this->plans->with($other) => 'plans.with-others',
                default => null,
            };
            if (null !== $said) {
                throw Problem::field("/sites/$n", 'not-ready', Said::with($said, title: $own->row->string('title')));
            }
            $other->joint = $joint;
            $this->told($own, self::SET);
        }
        $plan->joint = $joint;
        // What was computed by itself no longer follows; what is carried out is.
        SitePlan::COMPUTED === $plan->state ? $plan->reset() : ++$plan->version;
        $this->told($access, self::SET);
    }

    /** The best so far is enough, of all that are computed with it. */
    public function stop(SitePlan $plan): void
    {
        foreach ([$plan, ...$this->plans->with($plan)] as $each) {
            $each->stops = SitePlan::COMPUTING === $each->state;
        }
    }

    /** Puts everybody where the plan says, as a change list. */
    public function apply(SiteAccess $access, SitePlan $plan): void
    {
        $again = null !== $plan->changeList && $this->lists->isUndone($plan->changeList->id);
        if (null === $plan->outcome || (SitePlan::COMPUTED !== $plan->state && !$again)) {
            throw new Problem(ProblemType::NotReady, 'plans.nothing-to-apply');
        }
        $items = $this->items($access, $plan, Outcome::read($plan->outcome));
        if ([] === $items) {
            throw new Problem(ProblemType::NotReady, 'plans.all-there');
        }
        $title = $access->row->string('title');
        $total = \count($items);
        $list = $this->lists->begin('plan', $access->site->id, $title, 'applying', $access->caller, total: $total);
        $this->changes->begin($list->id, $items);
        $plan->changeList = $list;
        $plan->state = SitePlan::APPLIED;
        $plan->toldAt = null;
        ++$plan->version;
    }

    /** Puts the plan away, with all wishes; whoever computes it stops. */
    public function drop(SiteAccess $access, SitePlan $plan): void
    {
        SitePlan::COMPUTING === $plan->state && $this->runner->giveUp($plan);
        $plan->putAwayAt = $access->now;
        ++$plan->version;
        $this->told($access, self::DROPPED);
    }

    /** The plan that was put away is the site's again, as it was. */
    public function back(SiteAccess $access): void
    {
        $plan = null === $this->plans->of($access->site->id) ? $this->plans->awayOf($access->site->id) : null;
        if (null === $plan) {
            throw new Problem(ProblemType::NotReady, 'plans.none-put-away');
        }
        $plan->putAwayAt = null;
        ++$plan->version;
        $this->told($access, self::BACK);
    }

    /** @return list<RequestedItem> of those who are to be elsewhere than they are */
    private function items(SiteAccess $access, SitePlan $plan, Outcome $outcome): array
    {
        $sections = PlanTerms::read($plan->terms)->sections($access->site);
        $planned = $this->people->of($access->site->id, $access->now);
        $items = [];
        foreach ($outcome->why as $person => $why) {
            $theirs = $planned[$person]->sections ?? [];
            if (null === $why->section || Because::Stays === $why->because || \in_array($why->section, $theirs, true)) {
                continue;
            }
            $kept = $access->site->several ? array_values(array_diff($theirs, $sections)) : [];
            $line = new LineRequest(
                (string) $person,
                'change-sections',
                note: $this->speech->say($this->note($why)),
                sections: [...$kept, $why->section],
            );
            $items[] = RequestedItem::change($access->site->id, $line);
        }

        return $items;
    }

    private function note(Why $why): Said
    {
        return null === $why->wish
            ? Said::of('plans.note.'.$why->because->value)
            : Said::with('plans.note.wish', n: $why->wish);
    }

    private function terms(SiteAccess $access, PlanRequest $request): PlanTerms
    {
        $errors = new FieldErrors();
        $places = $least = [];
        foreach ($request->sections as $n => $each) {
            $section = $access->site->sections[$each->id] ?? null;
            if (null === $section || $section->retired || \array_key_exists($each->id, $places)) {
                $errors->add("sections/$n/id", 'unknown', 'shared.no-such-section');
            } elseif (null !== $section->seats && $each->places > $section->seats) {
                $errors->add(
                    "sections/$n/places",
                    'seats',
                    Said::with('plans.more-than-seats', n: $section->seats),
                );
            }
            if (null !== $each->least && $each->least > ($each->places ?? $section->seats ?? $each->least)) {
                $errors->add("sections/$n/least", 'more', 'plans.least-more');
            }
            $places[$each->id] = $each->places;
            null === $each->least || ($least[$each->id] = $each->least);
        }
        $errors->check();

        return new PlanTerms(
            $places,
            Moves::from($request->moves),
            array_values(array_unique($request->stays)),
            $least,
            $request->together,
            $request->apart,
            array_map(static fn(BalanceRequest $one): array => [
                'by' => $one->by,
                'label' => trim($one->label),
                'tolerance' => $one->tolerance,
            ], $request->balances),
        );
    }

    /** @return array{?int, ?int} */
    private function window(SiteAccess $access, PlanRequest $request): array
    {
        if (null === $request->wishesFrom && null === $request->wishesUntil) {
            return [null, null];
        }
        if (null === $request->wishesUntil) {
            throw Problem::field('/wishesUntil', 'no-end', 'plans.say-until');
        }
        $from = null === $request->wishesFrom ? $access->now : $access->startOf($request->wishesFrom, '/wishesFrom');
        $until = $access->endOf($request->wishesUntil, '/wishesUntil');
        if ($until <= $from) {
            throw Problem::field('/wishesUntil', 'before-start', 'shared.last-day-before-first');
        }
        if ($until <= $access->now) {
            throw Problem::field('/wishesUntil', 'past', 'plans.until-past');
        }

        return [$from, $until];
    }

    /** @throws Problem of type `Stale` */
    private static function assertIdle(SitePlan $plan): void
    {
        if (SitePlan::COMPUTING === $plan->state) {
            throw new Problem(ProblemType::NotReady, 'plans.being-computed');
        }
    }

    /** @param array<string, mixed> $data */
    private function told(SiteAccess $access, string $code, array $data = []): void
    {
        $this->history->write($access->site->id, $access->caller, new Happening($code, $data));
    }
}
