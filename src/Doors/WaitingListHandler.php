<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Changes\ChangeContextLoader;
use MintDoor\Core\Doors\Waiter;
use MintDoor\Core\Doors\WaitingList;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Time\WakingHours;
use MintDoor\Doors\Entity\WaitingRecord;
use MintDoor\Doors\Repository\WaitingPlaces;
use MintDoor\Messages\SiteLetter;
use MintDoor\Messages\SiteLetters;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Id;
use MintDoor\Shared\PlatformClock;

/**
 * Who waits at the doors of a site, and is offered the seats that are free. Runs inside a transaction, under the site's
 * lock.
 */
final readonly class WaitingListHandler
{
    public function __construct(
        private WaitingPlaces $places,
        private DoorContextLoader $doorContexts,
        private DoorLines $lines,
        private SiteLetters $post,
        private CallerProvider $callers,
        private Gate $gate,
        private ChangeContextLoader $contextLoader,
        private PlatformSettings $settings,
        private PlatformClock $clock,
    ) {}

    /**
     * Whether there is anything to do about the line of a site. Read without a lock: what is done is decided again
     * under it.
     */
    public function due(string $site): bool
    {
        return $this->plan($site)->any();
    }

    /**
     * Offers the seats that are free to those who are next, and takes back offers that are over.
     *
     * @return int how many were offered
     */
    public function offer(string $site): int
    {
        $plan = $this->plan($site);
        $access = $this->gate->atDoor($site, Caller::nobody());
        foreach ($plan->closed as $one) {
            // Who came in another way, or was removed by hand, waits no more.
            $state = State::tryFrom($plan->states[$one->person->id] ?? '');
            $this->lines->close($one->door->id, $one->person->id, true === $state?->here() ? 'in' : 'left', $access);
        }
        foreach ($plan->over as $one) {
            $at = $this->doorContexts->ofWaiting($one);
            $by = $this->callers->anybody((string) $at->door->keeper());
            $this->lines->goAgain($at, [$one->door->id], true, 'lapse', $by);
            $this->lines->close($one->door->id, $one->person->id, 'lapsed', $at->access);
        }
        $next = $this->plan($site)->next;
        foreach ($next as $one) {
            $this->keepSeat($access, $one);
        }

        return \count($next);
    }

    private function plan(string $site): WaitingPlan
    {
        $states = $this->places->states($site, $this->clock->instant());
        $waiting = $closed = [];
        foreach ($this->places->forSeats($site) as $one) {
            State::Waiting->value === ($states[$one->person->id] ?? '')
                ? ($waiting[(int) $one->id] = $one)
                : ($closed[] = $one);
        }
        if ([] === $waiting) {
            return new WaitingPlan($states, $closed);
        }
        $at = $this->doorContexts->ofWaiting($waiting[array_key_first($waiting)]);
        $list = WaitingPlaces::listOf(array_values($waiting));
        $of = static fn(Waiter $waiter): WaitingRecord => $waiting[$waiter->arrival];
        $own = [...$this->freeAtDoors($at, $waiting), ...$this->freeInSections($at, $list, $waiting)];
        $next = $list->next($this->free($at, $waiting), $own);

        return new WaitingPlan($states, $closed, array_map($of, $list->over($at->access->now)), array_map($of, $next));
    }

    /**
     * Seats of the site that are free for as long as any of them would stay.
     *
     * @param array<int, WaitingRecord> $waiting
     */
    private function free(DoorContext $at, array $waiting): ?int
    {
        if (null === $at->access->site->seats) {
            return null;
        }
        // For whoever stands there all kept seats but their own are taken; for the list as a whole all of them are.
        $own = (int) (true === $at->waiting?->offeredAt($at->access->now));

        return $at->access->site->seats
            - $at->context->seats->most($at->access->now, $this->longest($at, $waiting))
            - $own;
    }

    /**
     * The instant until which the last of them would stay.
     *
     * @param array<int, WaitingRecord> $waiting
     */
    private function longest(DoorContext $at, array $waiting): int
    {
        $stay = array_map(
            static fn(WaitingRecord $one): int => SentenceDoor::of($one->door)->policy->stays(
                $at->access->site->termEnds,
            ),
            $waiting,
        );

        return max($at->access->now + 1, ...array_values($stay));
    }

    /**
     * The same of the sections that they will come into, where these have seats of their own.
     *
     * @param array<int, WaitingRecord> $waiting
     *
     * @return array<string, int> by section
     */
    private function freeInSections(DoorContext $at, WaitingList $list, array $waiting): array
    {
        $until = $this->longest($at, $waiting);
        $free = [];
        foreach ($list->waiters as $waiter) {
            $section = $at->access->site->sections[(string) $waiter->section] ?? null;
            if (null === $section?->seats) {
                continue;
            }
            $free[$section->id] ??= (int) $at->context->sections->free($section, $at->access->now, $until);
            // A seat that is kept for whoever stands there is taken for the list as a whole.
            $theirs = $waiter->arrival === $at->waiting?->id && $at->waiting->offeredAt($at->access->now);
            $free[$section->id] -= (int) $theirs;
        }

        return $free;
    }

    /**
     * @param array<int, WaitingRecord> $waiting
     *
     * @return array<string, ?int> by door; null where it has no limit
     */
    private function freeAtDoors(DoorContext $at, array $waiting): array
    {
        $free = [];
        foreach ($waiting as $one) {
            $door = $one->door->id;
            if (!\array_key_exists($door, $free)) {
                $seats = SentenceDoor::of($one->door)->policy->seats;
                $through = null === $seats ? 0 : $this->doorContexts->through($door, Id::NONE, $at->access);
                $free[$door] = null === $seats ? null : $seats - $through;
            }
        }

        return $free;
    }

    private function keepSeat(SiteAccess $access, WaitingRecord $one): void
    {
        $policy = SentenceDoor::of($one->door)->policy;
        $until = WakingHours::after(
            $access->now,
            3_600 * $policy->offerHours,
            $access->zone(),
            $this->settings->offIn($access->site->division),
        );
        $one->offer($until);
        $this->places->flush();
        $person = $this->contextLoader->people([$one->person->id])[$one->person->id];
        $address = $person->stringOrNull('email');
        if (null !== $address) {
            $letter = new SiteLetter($address, $person, 'offer:'.$one->id.':'.$until, until: $until);
            $this->post->send(MessageKind::SeatOffered, $access, $policy->role, [$letter], null, false);
        }
    }
}
