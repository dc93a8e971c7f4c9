<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\Core\Time\Time;

/**
 * To whom seats of a site will be offered if nobody does anything: each that is free goes to whoever is next; who does
 * not answer loses their place, and the seat goes on. Seats that doors and sections have of their own are not looked
 * at: what they keep back is seen when it happens.
 */
final class SeatsAhead
{
    private function __construct() {}

    /**
     * @param int                        $seats of the site
     * @param SeatsHeld                  $held  without those that are offered
     * @param list<Waiter>               $waiters
     * @param \Closure(Waiter, int): int $until when an offer is over that is made at an instant; later than that
     *
     * @return list<SeatAhead> after an instant and until another, that one included, in order
     */
    public static function of(
        int $seats,
        SeatsHeld $held,
        array $waiters,
        \Closure $until,
        int $now,
        int $to,
    ): array {
        $ahead = [];
        $at = $now;
        while ([] !== $waiters && $at <= $to) {
            foreach ((new WaitingList($waiters))->over($at) as $over) {
                $ahead[] = new SeatAhead($at, true, $over);
                $waiters = array_values(array_filter($waiters, static fn(Waiter $one): bool => $one !== $over));
            }
            $open = array_filter($waiters, static fn(Waiter $one): bool => null !== $one->offeredUntil);
            $free = $seats - $held->most($at, Time::FOREVER) - \count($open);
            foreach ((new WaitingList($waiters))->next($free) as $next) {
                $ahead[] = new SeatAhead($at, false, $next);
                $offered = $next->offered($until($next, $at));
                $waiters = array_map(static fn(Waiter $one): Waiter => $one === $next ? $offered : $one, $waiters);
            }
            $times = $held->changesAfter($at);
            foreach ($waiters as $waiter) {
                null === $waiter->offeredUntil || ($times[] = $waiter->offeredUntil);
            }
            $later = array_filter($times, static fn(int $time): bool => $time > $at);
            $at = [] === $later ? Time::FOREVER : min($later);
        }

        return $ahead;
    }
}
