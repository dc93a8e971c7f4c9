<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Core\Plans\Plan;
use MintDoor\Core\Plans\WhatIf;
use MintDoor\Plans\Entity\SitePlan;
use MintDoor\Plans\Repository\SitePlans;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Transaction;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\Event\WorkerMessageFailedEvent;
use Symfony\Component\Messenger\MessageBusInterface;

/**
 * Computes plans: small ones while one waits, others by a worker, that says how far it is and looks whether it is to
 * stop. What is asked is read in one transaction, what came of it is kept in another, unless the plan was changed
 * since: a worker may be killed at any moment, and two that compute the same come to the same.
 */
final readonly class PlanRunner
{
    /** A plan of so many people is computed while one waits. */
    private const AT_ONCE = 150;

    /** Seconds between two words of a worker, and after how many without one it is taken for lost. */
    private const BEAT = 0.5;

    private const LOST = 30;

    /** Seconds for which something else is tried out. */
    private const TRIED = 8.0;

    public function __construct(
        private SitePlans $plans,
        private PlansTogether $together,
        private Gate $gate,
        private Transaction $transaction,
        private MessageBusInterface $bus,
        private PlatformClock $clock,
    ) {}

    /**
     * Runs in a transaction, under the locks of all sites.
     *
     * @param list<SitePlan> $others that are planned together with it
     */
    public function begin(SiteAccess $access, SitePlan $plan, array $others): void
    {
        $asked = $this->together->asked($access, $plan, $others);
        foreach ($asked->plans as $each) {
            $each->begin($each === $plan ? $access->now : null);
        }
        if (\count($asked->question()->people) <= self::AT_ONCE) {
            $this->keep($asked, $asked->plan());
        } else {
            $this->bus->dispatch(new ComputePlan($plan->id, $plan->version));
        }
    }

    #[AsMessageHandler]
    public function __invoke(ComputePlan $job): void
    {
        $asked = $this->transaction->job([], fn(): ?Asked => $this->asked($job));
        if (null === $asked) {
            return;
        }
        $versions = array_map(static fn(SitePlan $plan): int => $plan->version, $asked->plans);
        $beat = 0.0;
        $goesOn = true;
        $plan = $asked->plan(function (int $done, int $steps) use ($job, &$beat, &$goesOn): bool {
            if (microtime(true) >= $beat + self::BEAT) {
                $beat = microtime(true);
                $goesOn = $this->plans->beat($job->plan, $job->version, $done, $steps, $this->clock->instant());
            }

            return $goesOn;
        });
        $this->transaction->job([], function () use ($asked, $versions, $plan): void {
            $stored = array_map(fn(SitePlan $one): ?SitePlan => $this->plans->locked($one->id), $asked->plans);
            $same = array_filter(
                $stored,
                static fn(?SitePlan $one, string $site): bool => SitePlan::COMPUTING === $one?->state
                    && $one->version === $versions[$site],
                \ARRAY_FILTER_USE_BOTH,
            );
            $this->keep($asked, $plan, $same);
            $this->plans->flush();
        });
    }

    /** What the plan would come to if something were otherwise; within a few seconds, as well as can be by then. */
    public function tried(SiteAccess $access, SitePlan $plan, WhatIf $whatIf): Outcome
    {
        $others = array_filter(
            $this->together->others($plan),
            static fn(SitePlan $other): bool => null !== $other->outcome,
        );
        $asked = $this->together->asked($access, $plan, array_values($others), $whatIf);
        $until = microtime(true) + self::TRIED;
        $found = $asked->plan(static fn(): bool => microtime(true) < $until);

        return $asked->outcomes($found)[$access->site->id];
    }

    /** @return int how many whose worker was lost got another one */
    public function again(): int
    {
        $lost = $this->plans->silent($this->clock->instant() - self::LOST);
        foreach ($lost as $plan => $version) {
            $this->bus->dispatch(new ComputePlan((string) $plan, $version));
        }

        return \count($lost);
    }

    /** One that cannot be computed is not tried for ever. */
    #[AsEventListener]
    public function failed(WorkerMessageFailedEvent $event): void
    {
        $job = $event->getEnvelope()->getMessage();
        if ($event->willRetry() || !$job instanceof ComputePlan) {
            return;
        }
        $this->transaction->job([], function () use ($job): void {
            $plan = $this->plans->locked($job->plan);
            if (SitePlan::COMPUTING === $plan?->state && $job->version === $plan->version) {
                $this->giveUp($plan);
                $this->plans->flush();
            }
        });
    }

    /** Nobody computes it any more, nor what was computed with it. */
    public function giveUp(SitePlan $plan): void
    {
        foreach ([$plan, ...$this->plans->with($plan)] as $each) {
            SitePlan::COMPUTING === $each->state && $each->reset();
        }
    }

    /** Null where nobody waits for it any more. */
    private function asked(ComputePlan $job): ?Asked
    {
        $plan = $this->plans->withId($job->plan);
        if (SitePlan::COMPUTING !== $plan?->state || $job->version !== $plan->version) {
            return null;
        }
        $others = array_filter(
            $this->plans->with($plan),
            static fn(SitePlan $other): bool => SitePlan::COMPUTING === $other->state,
        );
        $access = $this->gate->atDoor($plan->site->id, Caller::nobody());

        return $this->together->asked($access, $plan, array_values($others));
    }

    /** @param ?array<string, SitePlan> $plans those that wait for it, by site; null for all */
    private function keep(Asked $asked, Plan $plan, ?array $plans = null): void
    {
        $outcomes = $asked->outcomes($plan);
        foreach ($plans ?? $asked->plans as $site => $stored) {
            $stored->outcome = $outcomes[$site]->kept();
            $stored->state = SitePlan::COMPUTED;
            ++$stored->version;
        }
    }
}
