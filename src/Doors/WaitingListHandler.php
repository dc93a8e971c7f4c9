<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Changes\ChangeContextLoader;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Doors\Waiter;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Time\WakingHours;
use MintDoor\Doors\Entity\WaitingRecord;
use MintDoor\Doors\Repository\WaitingPlaces;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Id;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;

/**
 * Who waits at the doors of a site: answered by staff, or offered the seats that are free. Runs inside a transaction,
 * under the site's lock.
 */
final readonly class WaitingListHandler
{
    public function __construct(
        private WaitingPlaces $places,
        private DoorContextLoader $doorContexts,
        private DoorLines $lines,
        private DoorMessages $post,
        private CallerProvider $callers,
        private Gate $gate,
        private ChangeContextLoader $contextLoader,
        private Roles $roles,
        private History $history,
        private PlatformClock $clock,
    ) {}

    /**
     * Answers requests, or moves somebody up in the line.
     *
     * @param non-empty-list<int> $waiters
     * @param 'yes'|'no'|'up'     $answer
     *
     * @return list<WaitingAnswered>
     */
    public function answer(SiteAccess $access, array $waiters, string $answer, string $why): array
    {
        $waiting = $this->places->some($access->site->id, $waiters);
        if ([] === $waiting) {
            throw Problem::notFound('This place in the line');
        }
        if ('up' === $answer && '' === trim($why)) {
            throw Problem::field('/why', 'why', 'Say why; it is written down.');
        }

        return array_map(function (WaitingRecord $one) use ($access, $answer, $why): WaitingAnswered {
            $at = $this->before($one);
            $code = match ($answer) {
                'up' => $this->moveUp($access, $one, $why),
                'no' => $this->refuse($access, $at, $why),
                default => $this->accept($access, $at, $why),
            };

            return new WaitingAnswered(
                id: (int) $one->id,
                name: $at->person->string('preferred_name') ?: $at->person->string('given_name'),
                done: \in_array($code, ['in', 'refused', 'moved'], true),
                code: $code,
            );
        }, $waiting);
    }

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
            $at = $this->before($one);
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
        $at = $this->before($waiting[array_key_first($waiting)]);
        $list = WaitingPlaces::listOf(array_values($waiting));
        $of = static fn(Waiter $waiter): WaitingRecord => $waiting[$waiter->arrival];
        $next = $list->next($this->free($at, $waiting), $this->freeAtDoors($at, $waiting));

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
        $now = $at->access->now;
        $stay = array_map(
            static fn(WaitingRecord $one): int => SentenceDoor::of($one->door)->policy->stays(
                $at->access->site->termEnds,
            ),
            $waiting,
        );
        // For whoever stands there all kept seats but their own are taken; for the list as a whole all of them are.
        $own = (int) (true === $at->waiting?->offeredAt($now));

        return $at->access->site->seats
            - $at->context->seats->most($now, max($now + 1, ...array_values($stay)))
            - $own;
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
        $until = WakingHours::after($access->now, 3_600 * $policy->offerHours, $access->zone());
        $one->offer($until);
        $this->places->flush();
        $person = $this->contextLoader->people([$one->person->id])[$one->person->id];
        $address = $person->stringOrNull('email');
        if (null !== $address) {
            $letter = new DoorLetter($address, $person, 'offer:'.$one->id.':'.$until, until: $until);
            $this->post->send(MessageKind::SeatOffered, $access, $policy->role, [$letter], null, false);
        }
    }

    private function before(WaitingRecord $one): DoorContext
    {
        return $this->doorContexts->at(SentenceDoor::of($one->door), $this->callers->anybody($one->person->id));
    }

    private function moveUp(SiteAccess $access, WaitingRecord $one, string $why): string
    {
        $one->ahead = $this->places->front($access->site->id);
        $one->movedWhy = trim($why);
        $this->places->flush();
        $this->history->write(
            $access->site->id,
            $access->caller,
            new Happening('moved-up', ['why' => trim($why)], $one->person->id),
        );

        return 'moved';
    }

    private function refuse(SiteAccess $access, DoorContext $at, string $why): string
    {
        $this->lines->goAgain($at, [$at->door->id], true, 'lapse', $access->caller);
        $this->lines->close($at->door->id, $at->personId(), 'refused', $at->access, $access->caller);
        $this->tell($access, $at, '' === trim($why) ? 'The answer is no this time.' : trim($why));

        return 'refused';
    }

    /** Whoever says yes must be able to give the role by hand. */
    private function accept(SiteAccess $access, DoorContext $at, string $why): string
    {
        $verdict = $this->roles
            ->book()
            ->mayGive($at->door->policy->role, $access->standing, $at->context->person, $access->site);
        if (!$verdict->allowed) {
            return $verdict->code;
        }
        $line = $this->lines->comeIn($at, $at->waiting?->section?->id, $access->caller);
        if (Verdict::WaitsForSeat === $line->verdict) {
            if ('approval' === $at->waiting?->what && $at->door->policy->waiting) {
                $at->waiting->what = 'seat';
                $this->places->flush();

                return 'waits-for-seat';
            }

            return 'no-seat';
        }
        if (Verdict::Ready !== $line->verdict) {
            return $line->reasons[0]->code ?? 'already-so';
        }
        $this->tell($access, $at, '' === trim($why) ? 'The answer is yes: you are in.' : trim($why));

        return 'in';
    }

    private function tell(SiteAccess $access, DoorContext $at, string $words): void
    {
        $address = $at->person->stringOrNull('email');
        if (null !== $address) {
            $letter = new DoorLetter($address, $at->person, 'answer:'.($at->waiting->id ?? 0), $words);
            $this->post->send(
                MessageKind::RequestAnswered,
                $access,
                $at->door->policy->role,
                [$letter],
                $access->caller,
                false,
            );
        }
    }
}
