<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

/**
 * Who waits for a seat, in the order in which seats are offered: those who were moved up first, then by arrival.
 * Whoever has an offer keeps it until it is over.
 */
final readonly class WaitingList
{
    /** @var list<Waiter> */
    public array $waiters;

    /** @param list<Waiter> $waiters in any order */
    public function __construct(array $waiters)
    {
        usort($waiters, static fn(Waiter $a, Waiter $b): int => [$b->ahead, $a->arrival] <=> [$a->ahead, $b->arrival]);
        $this->waiters = $waiters;
    }

    /**
     * Those to whom a seat is offered now.
     *
     * @param ?int $free  seats of the site that nobody holds and no offer keeps; null where there is no limit
     * @param array<string, ?int> $own  the same for the seats that doors and sections have of their own, by id
     *
     * @return list<Waiter>
     */
    public function next(?int $free, array $own = []): array
    {
        $next = [];
        foreach ($this->waiters as $waiter) {
            $wanted = array_intersect_key($own, [$waiter->doorId => true, (string) $waiter->section => true]);
            $limited = array_filter($wanted, is_int(...));
            if (null !== $waiter->offeredUntil || ([] !== $limited && min($limited) <= 0)) {
                continue;
            }
            if (null !== $free && $free <= 0) {
                break;
            }
            $next[] = $waiter;
            $free = null === $free ? null : $free - 1;
            foreach ($limited as $id => $seats) {
                $own[$id] = $seats - 1;
            }
        }

        return $next;
    }

    /** @return list<Waiter> those whose offer is over */
    public function over(int $now): array
    {
        return array_values(
            array_filter(
                $this->waiters,
                static fn(Waiter $waiter): bool => null !== $waiter->offeredUntil && $waiter->offeredUntil <= $now,
            ),
        );
    }

    /** The place of somebody, 1 for the first; null when they do not wait. */
    public function place(string $personId): ?int
    {
        foreach ($this->waiters as $index => $waiter) {
            if ($waiter->personId === $personId) {
                return $index + 1;
            }
        }

        return null;
    }
}
