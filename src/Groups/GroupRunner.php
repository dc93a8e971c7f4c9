<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Groups\Entity\GroupTask;
use MintDoor\Groups\Repository\GroupPlaces;
use MintDoor\Groups\Repository\GroupTasks;
use MintDoor\Groups\Repository\Splits;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Said;
use MintDoor\Shared\Transaction;
use Psr\Log\LoggerInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\Event\WorkerMessageFailedEvent;
use Symfony\Component\Messenger\MessageBusInterface;

/**
 * Computes groups by a worker, that says how far it is and looks whether it is to stop. What is asked is read in one
 * transaction, with the sight of whoever asked, what came of it is kept in another, unless they asked again since.
 */
final readonly class GroupRunner
{
    /** Seconds between two words of a worker, and after how many without one it is taken for lost. */
    private const BEAT = 0.5;

    private const LOST = 30;

    public function __construct(
        private GroupTasks $tasks,
        private Splits $splits,
        private GroupPlaces $places,
        private GroupQuestions $questions,
        private GroupSettler $settler,
        private Gate $gate,
        private CallerProvider $callers,
        private Transaction $transaction,
        private MessageBusInterface $bus,
        private PlatformClock $clock,
        private LoggerInterface $logger,
    ) {}

    /**
     * Runs in a transaction, under the lock of the split.
     *
     * @throws Problem of type `NotReady` where there are not the places for these people
     */
    public function begin(SiteAccess $access, GroupSplit $split, bool $settles = false): void
    {
        $question = $this->questions->of($access, $split, $settles)->question;
        $most = array_sum(array_column($question->sizes, 'most'));
        $least = array_sum(array_column($question->sizes, 'least'));
        $people = \count($question->people);
        if ([] === $question->sizes || 0 === $people) {
            throw new Problem(ProblemType::NotReady, 'groups.nothing-to-compute');
        }
        if ($most < $people) {
            throw new Problem(ProblemType::NotReady, Said::with('groups.few-places', n: $people, places: $most));
        }
        if ($least > $people) {
            throw new Problem(ProblemType::NotReady, Said::with('groups.many-places', n: $people, places: $least));
        }
        $task = $this->tasks->of($split->id) ?? $this->tasks->make($split);
        $task->begin($access->caller->id, $access->now, bin2hex(random_bytes(8)), $settles);
        $this->tasks->flush();
        $this->bus->dispatch(new ComputeGroups($split->id, $task->version));
    }

    #[AsMessageHandler]
    public function __invoke(ComputeGroups $job): void
    {
        $seed = '';
        $asked = $this->transaction->job([], function () use ($job, &$seed): ?AskedGroups {
            $task = $this->waiting($job);
            if (null === $task || null !== $task->split->putAwayAt) {
                return null;
            }
            $seed = $task->seed;
            $access = $this->access($task->split, $task->askedBy);

            return $this->questions->of($access, $task->split, $task->settles);
        });
        if (null === $asked) {
            return;
        }
        $beat = 0.0;
        $goesOn = true;
        $found = $asked->compute($seed, function (int $done, int $steps) use ($job, &$beat, &$goesOn): bool {
            if (microtime(true) >= $beat + self::BEAT) {
                $beat = microtime(true);
                $goesOn = $this->tasks->beat($job->split, $job->version, $done, $steps, $this->clock->instant());
            }

            return $goesOn;
        });
        $this->ends($job, GroupTask::COMPUTED, $found);
    }

    /**
     * @return int for how many splits those who chose no group are being put into one
     *
     * @phpstan-impure
     */
    public function settle(): int
    {
        $begun = 0;
        $now = $this->clock->instant();
        // Most of the time nobody came: that is seen without keeping anybody from the site.
        $came = array_filter(
            $this->splits->arriving($now),
            fn(string $id): bool => $this->came($id, $now),
            \ARRAY_FILTER_USE_KEY,
        );
        foreach ($this->splits->over($now) + $came as $id => $site) {
            try {
                $begun += $this->transaction->job([$site], fn(): int => $this->settles($site, (string) $id));
            } catch (\Throwable $thrown) {
                // One that fails leaves the others alone.
                $this->logger->error('Nobody was put into a group.', ['split' => $id, 'exception' => $thrown]);
            }
        }

        return $begun;
    }

    private function came(string $id, int $now): bool
    {
        $split = $this->splits->withId($id);

        return null !== $split && [] !== $this->places->newcomers($split, (int) $split->arrivedAt, $now);
    }

    /** @return int how many whose worker was lost got another one */
    public function again(): int
    {
        $lost = $this->tasks->silent($this->clock->instant() - self::LOST);
        foreach ($lost as $split => $version) {
            $this->bus->dispatch(new ComputeGroups((string) $split, $version));
        }

        return \count($lost);
    }

    /** One that cannot be computed is not tried for ever. */
    #[AsEventListener]
    public function failed(WorkerMessageFailedEvent $event): void
    {
        $job = $event->getEnvelope()->getMessage();
        if (!$event->willRetry() && $job instanceof ComputeGroups) {
            $this->ends($job, GroupTask::FAILED, null);
        }
    }

    /** It is tried once: where it cannot be done, whoever arranges groups sees who is in none. */
    private function settles(string $site, string $id): int
    {
        $split = $this->splits->locked($site, $id);
        if (null === $split || GroupTask::COMPUTING === $this->tasks->locked($id)?->state) {
            return 0;
        }
        $now = $this->clock->instant();
        $over = $split->settles && null === $split->settledAt && null !== $split->closesAt && $split->closesAt <= $now;
        $came = $over ? [] : $this->places->newcomers($split, (int) $split->arrivedAt, $now);
        if (!$over && [] === $came) {
            return 0;
        }
        try {
            if (!$over && 'wishes' !== $split->arrives) {
                $this->settler->arrive($this->access($split, (string) $split->openedBy), $split, $came);
                $this->tried($split);
                $this->splits->flush();

                return 1;
            }
            $this->begin($this->access($split, (string) $split->openedBy), $split, true);
        } catch (Problem $cannot) {
            $this->tried($split);
            $this->splits->flush();
            $this->logger->warning('Nobody is put into a group.', ['split' => $id, 'exception' => $cannot]);

            return 0;
        }

        return 1;
    }

    /** It is not tried for ever: whoever arranges groups sees who is in none. */
    private function tried(GroupSplit $split): void
    {
        $now = $this->clock->instant();
        if ($split->settles && null !== $split->closesAt && $split->closesAt <= $now) {
            $split->settledAt ??= $now;
        }
        // Whoever comes in the same second is looked at again, and is in a group then.
        $split->arrivedAt = 'none' !== $split->arrives ? $now : $split->arrivedAt;
    }

    private function access(GroupSplit $split, string $who): SiteAccess
    {
        $access = $this->gate->at($split->site->id, $this->callers->anybody($who));
        SplitsHandler::assertMayChange($access);

        return $access;
    }

    /** @param GroupTask::* $state */
    private function ends(ComputeGroups $job, string $state, ?ComputedGroups $found): void
    {
        $site = $this->splits->withId($job->split)?->site->id;
        $this->transaction->job(null === $site ? [] : [$site], function () use ($job, $state, $found): void {
            $task = $this->waiting($job);
            if (null === $task) {
                return;
            }
            $task->state = $state;
            $task->outcome = $found?->kept();
            $split = $task->settles ? $this->splits->locked($task->split->site->id, $task->split->id) : null;
            if (null !== $split && null === $found) {
                $this->tried($split);
            } elseif (null !== $split && null !== $found) {
                $now = $this->clock->instant();
                // When the choice is over everybody is meant, later only those who came since.
                $only = $split->settles && null === $split->settledAt && $split->closesAt <= $now
                    ? null
                    : $this->places->newcomers($split, (int) $split->arrivedAt, $now);
                $this->settler->settle($this->access($split, $task->askedBy), $split, $found, $only);
                $this->tried($split);
            }
            $this->tasks->flush();
        });
    }

    /** Null where nobody waits for it any more. */
    private function waiting(ComputeGroups $job): ?GroupTask
    {
        $task = $this->tasks->locked($job->split);

        return GroupTask::COMPUTING === $task?->state && $job->version === $task->version ? $task : null;
    }
}
