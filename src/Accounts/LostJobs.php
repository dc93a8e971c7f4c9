<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\ConnectionException;
use Doctrine\DBAL\Exception\RetryableException;
use MintDoor\Changes\ApplyChangeList;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
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

    public function __construct(private Connection $db, private MessageBusInterface $bus) {}

    /** @return int how many got a job */
    public function again(): int
    {
        $lost = Row::all(
            $this->db->fetchAllAssociative(
                "SELECT h.id, h.kind FROM change_list h
             WHERE h.state = 'applying' AND h.trouble IS NULL AND h.changed_at < UTC_TIMESTAMP() - INTERVAL ? SECOND
               AND NOT EXISTS (SELECT 1 FROM messenger_messages m WHERE m.queue_name = 'jobs'
                 AND m.body LIKE CONCAT('%', LOWER(CONCAT_WS('-', SUBSTR(HEX(h.id), 1, 8), SUBSTR(HEX(h.id), 9, 4),
                     SUBSTR(HEX(h.id), 13, 4), SUBSTR(HEX(h.id), 17, 4), SUBSTR(HEX(h.id), 21))), '%'))",
                [self::PATIENCE],
            ),
        );
        foreach ($lost as $row) {
            $accounts = 'accounts' === $row->string('kind');
            $this->bus->dispatch($accounts ? new MakeAccounts($row->id('id')) : new ApplyChangeList($row->id('id')));
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
        $this->db->executeStatement(
            "UPDATE change_list SET trouble = ?, version = version + 1 WHERE id = ? AND state = 'applying'",
            [$trouble, Id::binary($job->changeList)],
        );
    }
}
