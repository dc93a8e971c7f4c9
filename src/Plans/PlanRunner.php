<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Core\Plans\Lot;
use MintDoor\Core\Plans\Plan;
use MintDoor\Core\Plans\Question;
use MintDoor\Core\Plans\WhatIf;
use MintDoor\Core\Plans\Why;
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
        private Questions $questions,
        private Gate $gate,
        private Transaction $transaction,
        private MessageBusInterface $bus,
        private PlatformClock $clock,
    ) {}

    /** Runs in a transaction, under the lock of the site. */
    public function begin(SiteAccess $access, SitePlan $plan): void
    {
        $plan->reset();
        $plan->state = SitePlan::COMPUTING;
        $plan->done = $plan->steps = 0;
        $plan->beatAt = $access->now;
        $question = $this->questions->of($access, $plan);
        if (\count($question->people) <= self::AT_ONCE) {
            $this->keep($plan, $question, self::computed($question, (string) $plan->seed));
        } else {
            $this->bus->dispatch(new ComputePlan($plan->id, $plan->version));
        }
    }

    #[AsMessageHandler]
    public function __invoke(ComputePlan $job): void
    {
        $asked = $this->transaction->job([], fn(): ?array => $this->asked($job));
        if (null === $asked) {
            return;
        }
        [$question, $seed] = $asked;
        $beat = 0.0;
        $goesOn = true;
        $plan = self::computed($question, $seed, function (int $done, int $steps) use ($job, &$beat, &$goesOn): bool {
            if (microtime(true) >= $beat + self::BEAT) {
                $beat = microtime(true);
                $goesOn = $this->plans->beat($job->plan, $job->version, $done, $steps, $this->clock->instant());
            }

            return $goesOn;
        });
        $this->transaction->job([], function () use ($job, $question, $plan): void {
            $stored = $this->plans->locked($job->plan);
            if (SitePlan::COMPUTING === $stored?->state && $job->version === $stored->version) {
                $this->keep($stored, $question, $plan);
                $this->plans->flush();
            }
        });
    }

    /** What the plan would come to if something were otherwise; within a few seconds, as well as can be by then. */
    public function tried(SiteAccess $access, SitePlan $plan, WhatIf $whatIf): Outcome
    {
        $question = $this->questions->of($access, $plan, $whatIf);
        $until = microtime(true) + self::TRIED;
        $found = self::computed($question, (string) $plan->seed, static fn(): bool => microtime(true) < $until);

        return self::outcome($question, $found);
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
                $plan->reset();
                $this->plans->flush();
            }
        });
    }

    /** @return ?array{Question, string} with the seed; null where nobody waits for it any more */
    private function asked(ComputePlan $job): ?array
    {
        $plan = $this->plans->withId($job->plan);
        if (SitePlan::COMPUTING !== $plan?->state || $job->version !== $plan->version) {
            return null;
        }

        return [
            $this->questions->of($this->gate->atDoor($plan->site->id, Caller::nobody()), $plan),
            (string) $plan->seed,
        ];
    }

    /** @param ?\Closure(int, int): bool $goesOn */
    private static function computed(Question $question, string $seed, ?\Closure $goesOn = null): Plan
    {
        return PlanRecord::of($question)->plan(new Lot($seed), $goesOn);
    }

    private static function outcome(Question $question, Plan $plan): Outcome
    {
        return new Outcome(Why::all($question, $plan), $plan->proven, $plan->better, PlanRecord::of($question));
    }

    private function keep(SitePlan $stored, Question $question, Plan $plan): void
    {
        $stored->outcome = self::outcome($question, $plan)->kept();
        $stored->state = SitePlan::COMPUTED;
        ++$stored->version;
    }
}
