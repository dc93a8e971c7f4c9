<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Changes\ChangeContextLoader;
use MintDoor\Core\Changes\ChangeContext;
use MintDoor\Core\Doors\Doorman;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Sites\Section;
use MintDoor\Core\Time\Time;
use MintDoor\Doors\Entity\Invitation;
use MintDoor\Doors\Entity\WaitingRecord;
use MintDoor\Doors\Repository\WaitingPlaces;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Row;

/** Reads what decides whether somebody comes through a door, and asks the core. */
final readonly class DoorContextLoader
{
    public function __construct(
        private WaitingPlaces $places,
        private Gate $gate,
        private ChangeContextLoader $contexts,
        private Roles $roles,
        private DoorAuthority $authority,
        private CallerProvider $callers,
    ) {}

    /**
     * @param ?Invitation $invitation that is answered
     * @param ?string     $section    id of the one that is chosen, where one chooses
     */
    public function at(
        SentenceDoor $door,
        Caller $caller,
        ?Invitation $invitation = null,
        ?string $section = null,
    ): DoorContext {
        $access = $this->gate->atDoor($door->site, $caller);
        $people = $this->contexts->people([$caller->id]);
        $person = $people[$caller->id];
        $context = $this->contexts->of($access, $people, $invitation?->id)->one($caller->id);
        $waiting = $this->places->at($door->id, $caller->id);
        $before = $this->places->before($access->site->id, $caller->id, $door->id);
        $place = $this->place($waiting, $access, $caller);
        $admission = (new Doorman($this->roles->book()))->admit(
            $door->terms(),
            $access->site,
            PersonRow::person($person),
            $person->stringOrNull('email'),
            $access->segment,
            $access->now,
            null === $door->policy->seats ? 0 : $this->through($door->id, $caller->id, $access),
            $this->free($access, $context, $door->policy),
            null === $place ? $before->int('others') : $place - 1,
            true === $waiting?->offeredAt($access->now),
            // Whoever was asked back since was asked by somebody who knew.
            $context->enrollment->removedByStaff($access->now, $invitation->madeAt ?? Time::BEGINNING),
            $this->backed($access, $door, $person, $invitation->madeBy ?? $door->keeper()),
            $this->placed($access, $context, $door->policy, $waiting?->section->id ?? $section),
            $before->int('here'),
        );

        return new DoorContext(
            $access,
            $door,
            $person,
            $context,
            $admission,
            $waiting,
            $place ?? $before->int('waiting') + 1,
        );
    }

    /** Somebody who waits, at the door they wait at. */
    public function ofWaiting(WaitingRecord $one): DoorContext
    {
        return $this->at(SentenceDoor::of($one->door), $this->callers->anybody($one->person->id));
    }

    /** How many seats of a door are held, or kept for others than somebody. */
    public function through(string $door, string $butFor, SiteAccess $access): int
    {
        return $this->places->through($door, $butFor, self::holding(), $access->now);
    }

    /** @return list<string> states in which somebody has a seat at a door */
    public static function holding(): array
    {
        return array_values(array_diff(State::valuesHere(), [State::Waiting->value]));
    }

    /** The list is only read whole by those who stand in it. */
    private function place(?WaitingRecord $waiting, SiteAccess $access, Caller $caller): ?int
    {
        return 'seat' === $waiting?->what ? $this->places->list($access->site->id)->place($caller->id) : null;
    }

    /** Seats of the site that are free for as long as somebody who comes in now stays. */
    private function free(SiteAccess $access, ChangeContext $context, DoorPolicy $policy): ?int
    {
        $until = max($access->now + 1, $policy->stays($access->site->termEnds));

        return null === $access->site->seats
            ? null
            : max(0, $access->site->seats - $context->seats->most($access->now, $until));
    }

    /**
     * The same of the section they come into; where they choose one, of the one with the most.
     *
     * @param ?string $chosen id
     *
     * @return ?int null where it has no limit of its own
     */
    private function placed(SiteAccess $access, ChangeContext $context, DoorPolicy $policy, ?string $chosen): ?int
    {
        $sections = array_filter(
            $access->site->sections,
            static fn(Section $section): bool => match ($policy->place) {
                'fixed' => $section->id === $policy->section,
                'choice' => null === $chosen
                    ? $section->isOffered($access->now)
                    : $section->id === $chosen,
                default => false,
            },
        );
        $until = max($access->now + 1, $policy->stays($access->site->termEnds));
        $free = array_map(
            static fn(Section $section): ?int => $context->sections->free($section, $access->now, $until),
            array_values($sections),
        );

        return [] === $free || \in_array(null, $free, true) ? null : max($free);
    }

    private function backed(SiteAccess $access, SentenceDoor $door, Row $person, ?string $keeper): bool
    {
        $standing = $this->authority->keeper($access->site->id, $keeper);

        return null !== $standing
            && $this->roles
                ->book()
                ->mayGive($door->policy->role, $standing, PersonRow::person($person), $access->site)->allowed;
    }
}
