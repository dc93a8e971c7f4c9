<?php

declare(strict_types=1);

namespace MintDoor\Hall;

use Doctrine\DBAL\Connection;
use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\Exception\LogicException;
use Symfony\Component\Messenger\Exception\MessageDecodingFailedException;
use Symfony\Component\Messenger\Stamp\DelayStamp;
use Symfony\Component\Messenger\Stamp\TransportMessageIdStamp;
use Symfony\Component\Messenger\Transport\Serialization\SerializerInterface;
use Symfony\Component\Messenger\Transport\TransportInterface;

/**
 * A queue in the database. A job is written in the transaction of what it is about, so that neither is there without the
 * other; workers pass over what another one has in hand (`SKIP LOCKED`), and take again what one that was killed left.
 */
final readonly class JobTransport implements TransportInterface
{
    /** @param int $longest a job that was taken so many seconds ago and is not done is free again; none may take longer */
    public function __construct(
        private Connection $db,
        private SerializerInterface $serializer,
        private string $queue,
        private int $longest,
    ) {
    }

    public function get(): iterable
    {
        $this->db->beginTransaction();
        try {
            $found = $this->db->fetchAssociative(
                'SELECT id, body FROM job WHERE queue = ? AND available_at <= UTC_TIMESTAMP(3) AND (taken_at IS NULL OR taken_at < UTC_TIMESTAMP(3) - INTERVAL '.$this->longest.' SECOND) ORDER BY id LIMIT 1 FOR UPDATE SKIP LOCKED',
                [$this->queue],
            );
            if (false !== $found) {
                $this->db->executeStatement('UPDATE job SET taken_at = UTC_TIMESTAMP(3) WHERE id = ?', [$found['id']]);
            }
            $this->db->commit();
        } catch (\Throwable $thrown) {
            $this->db->rollBack();
            throw $thrown;
        }
        if (false === $found) {
            return [];
        }
        $row = new Row($found);
        try {
            return [$this->serializer->decode(['body' => $row->string('body')])->with(new TransportMessageIdStamp($row->int('id')))];
        } catch (MessageDecodingFailedException $unknown) {
            $this->remove($row->int('id'));
            throw $unknown;
        }
    }

    public function ack(Envelope $envelope): void
    {
        $this->remove($this->idOf($envelope));
    }

    public function reject(Envelope $envelope): void
    {
        $this->remove($this->idOf($envelope));
    }

    public function send(Envelope $envelope): Envelope
    {
        $delay = $envelope->last(DelayStamp::class)?->getDelay() ?? 0;
        $this->db->executeStatement(
            'INSERT INTO job (queue, body, available_at) VALUES (?, ?, UTC_TIMESTAMP(3) + INTERVAL ? MICROSECOND)',
            [$this->queue, $this->serializer->encode($envelope->withoutAll(TransportMessageIdStamp::class))['body'], 1_000 * $delay],
        );

        return $envelope->with(new TransportMessageIdStamp((int) $this->db->lastInsertId()));
    }

    private function remove(int $id): void
    {
        $this->db->executeStatement('DELETE FROM job WHERE id = ?', [$id]);
    }

    private function idOf(Envelope $envelope): int
    {
        $id = $envelope->last(TransportMessageIdStamp::class)?->getId();

        return \is_int($id) ? $id : throw new LogicException('This job did not come from here.');
    }
}
