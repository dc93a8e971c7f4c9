<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Messages\Repository\StoredMessages;
use MintDoor\Shared\PlatformClock;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Messenger\Stamp\DelayStamp;

/**
 * The queue of messages. What is queued is held for a while, in which it can be withdrawn, and then delivered by a
 * worker. A message and the job that will send it are written in the transaction of what they tell of: neither is there
 * without it.
 */
final readonly class Messages
{
    public function __construct(
        private StoredMessages $messages,
        private PlatformClock $clock,
        private MessageBusInterface $bus,
        private Budgets $budgets,
        #[Autowire('%env(int:MESSAGES_HOLD)%')] private int $hold,
    ) {}

    /**
     * @param list<Outgoing> $messages of causes that were told before, nothing more is sent
     * @param ?string        $by       id of whoever made them; null for what a person asked for themselves
     * @param bool           $held     whether they wait for the time of an undo
     */
    public function queue(array $messages, ?string $by, bool $held = true): void
    {
        $messages = [] === $messages ? [] : $this->budgets->spend($messages, $by);
        if ([] === $messages) {
            return;
        }
        $wait = $held ? $this->hold : 0;
        $this->messages->queue($messages, $by, $this->clock->instant(), $wait);
        $this->wake($wait);
    }

    /** Has a worker look for due messages after so many seconds. */
    public function wake(int $seconds): void
    {
        $this->bus->dispatch(new SendDue(), $seconds > 0 ? [new DelayStamp(1_000 * $seconds)] : []);
    }

    /**
     * Withdraws what is not on its way yet.
     *
     * @param 'id'|'line_id'|'change_list_id'|'invitation_id' $by     what the ids are of
     * @param list<string>              $ids
     *
     * @return int how many
     */
    public function withdraw(string $by, array $ids): int
    {
        return [] === $ids ? 0 : $this->messages->withdraw($by, $ids);
    }
}
