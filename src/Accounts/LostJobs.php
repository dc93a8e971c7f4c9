<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Doctrine\DBAL\Exception\ConnectionException;
use Doctrine\DBAL\Exception\RetryableException;
use MintDoor\Changes\ApplyChangeList;
use MintDoor\Changes\Repository\StoredLists;
use MintDoor\Shared\Problem;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Event\WorkerMessageFailedEvent;
use Symfony\Component\Messenger\MessageBusInterface;

/**
 * Lists that are being applied always go on: one that has no job gets one, and one whose job failed for good says so,
 * until somebody goes on with it.
 */
final readonly class LostJobs
{
    /** Seconds for which a list may stand still. */
    private const PATIENCE = 10;

    public function __construct(private StoredLists $lists, private MessageBusInterface $bus) {}

    /** @return int how many got a job */
    public function again(): int
    {
        $lost = $this->lists->lost(self::PATIENCE);
        foreach ($lost as $id => $kind) {
            $this->bus->dispatch('accounts' === $kind ? new MakeAccounts($id) : new ApplyChangeList($id));
        }

        return \count($lost);
    }

    #[AsEventListener]
    public function failed(WorkerMessageFailedEvent $event): void
    {
        $job = $event->getEnvelope()->getMessage();
        if ($event->willRetry() || !($job instanceof ApplyChangeList || $job instanceof MakeAccounts)) {
            return;
        }
        $why = $event->getThrowable();
        $why = $why->getPrevious() ?? $why;
        $trouble = match (true) {
            $why instanceof ConnectionException => 'database-away',
            $why instanceof RetryableException, $why instanceof Problem => 'busy',
            default => 'unexpected',
        };
        $this->lists->trouble($job->changeList, $trouble);
    }
}
